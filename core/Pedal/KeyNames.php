<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * Names of piano keys as a teacher says them.
 */
final class KeyNames
{
    private const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

    public static function of(int $midi): string
    {
        return self::NAMES[$midi % 12].(intdiv($midi, 12) - 1);
    }
}
