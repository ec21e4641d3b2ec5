<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\EntriesByNote;
use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelRule;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\ShapesLevels;

/**
 * Adds what the teacher wants louder or softer, whatever the school.
 */
final class Nudges implements ShapesLevels
{
    public function levels(Performance $performance): LevelRule
    {
        $entries = [];
        foreach ($performance->plan->marksOf(NudgeMark::class) as $mark) {
            foreach ($mark->notes as $note) {
                $entries[$note] = [new LedgerEntry($mark->change > 0 ? 'brought out, yours' : 'held back, yours', $mark->change)];
            }
        }

        return new EntriesByNote($entries);
    }
}
