<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;

/**
 * Writes the goals the teacher has chosen, the climax, and echoes, as short words above the upper staff.
 */
final class GoalWords implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        $isShaped = $performance->plan->settings(Shaping::class)->school->shapes();
        $words = [];
        foreach ($isShaped || $performance->plan->marksOf(GoalMark::class) !== [] ? $performance->part(Arcs::class)->all : [] as $arc) {
            if ($arc->ownGoal && $arc->goal !== null) {
                $words[] = [$arc->goal->onset, $arc->isClimax ? 'to here, the climax' : 'to here'];
            }
            if ($isShaped && $arc->model !== null && $arc->level < 0 && ! $arc->isClimax) {
                $words[] = [$arc->phrase->from, 'echo'];
            }
        }
        WordsWriter::write($tree, $performance->written, $words);
    }
}
