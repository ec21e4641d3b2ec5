<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\InnerLine;

/**
 * Brings out a chromatic line inside the texture [trade; dB start].
 */
final class ChromaticLines implements LevelHabit
{
    private const OUT = 1.6;

    public function entries(Performance $performance): array
    {
        $entries = [];
        foreach (array_filter($performance->reading()->innerLines, fn (InnerLine $line): bool => $line->chromatic) as $line) {
            foreach ($line->notes as $note) {
                $entries[$note] = [new LedgerEntry('a chromatic line inside', self::OUT)];
            }
        }

        return $entries;
    }
}
