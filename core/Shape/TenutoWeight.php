<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;

/**
 * Gives notes with a line weight: a tenuto is held, and leaned on [trade; dB start].
 */
final class TenutoWeight implements LevelHabit
{
    private const WEIGHT = 0.8;

    public function entries(Performance $performance): array
    {
        $entries = [];
        foreach ($performance->score()->notes as $note) {
            if ($note->has('tenuto')) {
                $entries[$note->id] = [new LedgerEntry('tenuto: with weight', self::WEIGHT)];
            }
        }

        return $entries;
    }
}
