<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;

/**
 * Writes the goals the teacher has chosen as short words above the upper staff.
 */
final class GoalWords implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        // What is engraved for a copy has its phrases drawn over it, where they are wanted.
        if ($tree->forEngraving || $performance->plan->marksOf(GoalMark::class) === []) {
            return;
        }
        $words = [];
        foreach ($performance->part(Arcs::class)->all as $arc) {
            if ($arc->ownGoal && $arc->goal !== null) {
                $words[] = [$arc->goal->onset, $arc->isClimax ? 'to here, the climax' : 'to here'];
            }
        }
        WordsWriter::write($tree, $performance->written, $words);
    }
}
