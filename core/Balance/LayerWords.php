<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;

/**
 * Writes which layer is out or under in a passage, with dashes to its end.
 */
final class LayerWords implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        $measures = array_column($performance->written->measures, null, 'id');
        $words = [];
        foreach ($performance->plan->marksOf(LayerMark::class) as $mark) {
            [$from, $to] = [$mark->from->onset($measures), $mark->to->onset($measures)];
            if ($from !== null && $to !== null && $from->isLessThan($to)) {
                $words[] = [$from, self::words($mark), $to];
            }
        }
        WordsWriter::write($tree, $performance->written, $words);
    }

    private static function words(LayerMark $mark): string
    {
        $name = $mark->layer->inWords();

        return match (true) {
            $mark->silent => "$name: touch only",
            $mark->change > 0 => $name.($mark->gradual ? ' more and more out' : ' out'),
            default => $name.($mark->gradual ? ' more and more under' : ' under'),
        };
    }
}
