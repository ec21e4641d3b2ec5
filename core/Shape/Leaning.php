<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\NonChordKind;

/**
 * Makes a dissonance that leans heavier than its resolution [trade; dB start].
 */
final class Leaning implements LevelHabit
{
    private const LEANS = 1.0;

    private const RESOLVES = 1.7;

    public function entries(Performance $performance): array
    {
        $entries = [];
        foreach (self::pairs($performance) as [$leans, $resolves]) {
            $entries[$leans] = [new LedgerEntry('a dissonance that leans', self::LEANS)];
            $entries[$resolves] ??= [new LedgerEntry('its resolution: lighter', -self::RESOLVES)];
        }

        return $entries;
    }

    /**
     * @return list<array{string, string}> ids of the notes that lean and of those they resolve to
     */
    public static function pairs(Performance $performance): array
    {
        $pairs = [];
        foreach ($performance->reading()->nonChordNotes as $one) {
            if ($one->resolution !== null && in_array($one->kind, [NonChordKind::Suspension, NonChordKind::Appoggiatura], true)) {
                $pairs[] = [$one->note, $one->resolution];
            }
        }

        return $pairs;
    }
}
