<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;

/**
 * Writes gestures, and keys held on, as words above the upper staff.
 */
final class GestureWords implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        $score = $performance->written;
        $measures = array_column($score->measures, null, 'id');
        $words = [];
        foreach ($performance->plan->marksOf(GestureMark::class) as $gesture) {
            $at = $gesture->at->onset($measures);
            if ($at !== null) {
                $words[] = [$at, $gesture->text];
            }
        }
        $holds = $performance->plan->marksOf(HoldMark::class);
        $notes = $holds === [] ? [] : array_column($performance->score()->notes, null, 'id');
        foreach ($holds as $hold) {
            $note = $notes[$hold->note] ?? null;
            if ($note !== null) {
                $words[] = [$note->onset, 'keep '.$note->inWords().' until '.$score->placeInWords($note->end(), $note->onset)];
            }
        }
        WordsWriter::write($tree, $score, $words);
    }
}
