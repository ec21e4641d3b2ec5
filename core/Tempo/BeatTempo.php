<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\TimeSignature;

/**
 * A tempo in the note value that is counted: "♩. = 60" in 6/8.
 */
final class BeatTempo
{
    /** Note values by quarters. */
    private const VALUES = ['1/4' => 'sixteenth', '1/2' => 'eighth', '3/4' => 'dotted eighth', '1' => '♩', '3/2' => '♩.', '2' => 'half', '3' => 'dotted half', '4' => 'whole'];

    public static function inWords(TimeSignature $time, float $quartersPerMinute): string
    {
        $beat = $time->beat();
        $value = self::VALUES[(string) $beat] ?? '♩';

        return $value.' = '.round($quartersPerMinute / ($value === '♩' ? 1.0 : $beat->toFloat()));
    }
}
