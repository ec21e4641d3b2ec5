<?php

declare(strict_types=1);

namespace Tarnwind\Core\Words;

use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;

/**
 * Writes expressive words above the upper staff; those of a passage with dashes to its end.
 */
final class ExpressionWriter implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        $measures = array_column($performance->written->measures, null, 'id');
        $words = [];
        foreach ($performance->plan->marksOf(ExpressionMark::class) as $mark) {
            $from = $mark->from->onset($measures);
            if ($from !== null) {
                $words[] = [$from, $mark->text, $mark->to?->onset($measures)];
            }
        }
        WordsWriter::write($tree, $performance->written, $words);
    }
}
