<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Fraction;

/**
 * Writes as words what no sign stands for: legato, non legato, and marcato, which is air and no accent [trade].
 */
final class TouchWords implements ScoreWriter
{
    private const WORDS = ['legato' => 'legato', 'non-legato' => 'non legato', 'marcato' => 'marcato'];

    public function write(WorkingTree $tree, Performance $performance): void
    {
        $score = $performance->written;
        $own = LengthsByStyle::articulations($performance->plan);
        $hands = $own === [] ? [] : $performance->reading()->hands;
        $words = [];
        /** @var array<string, Fraction> $last end of what a word holds for, by hand and articulation */
        $last = [];
        foreach ($score->notes as $note) {
            $word = self::WORDS[($own[$note->id] ?? null)?->value] ?? null;
            if ($word === null || $note->grace) {
                continue;
            }
            $key = "{$hands[$note->id]->value} $word";
            // What goes on within a bar is not said again.
            $bar = $score->measures[$note->measure]->time->length();
            if (! isset($last[$key]) || $last[$key]->plus($bar)->isLessThan($note->onset)) {
                $words[] = [$note->onset, $score->staves() > 1 && $hands[$note->id]->value === 'left' ? "left hand $word" : $word];
            }
            $last[$key] = Fraction::max($last[$key] ?? Fraction::zero(), $note->end());
        }
        WordsWriter::write($tree, $score, $words);
    }
}
