<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WordsWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Fraction;

/**
 * Writes where a hand takes notes of the other's staff, as the teacher has given them: m.s. for the left, m.d. for the right.
 */
final class HandWords implements ScoreWriter
{
    private const WORDS = ['left' => 'm.s.', 'right' => 'm.d.'];

    public function write(WorkingTree $tree, Performance $performance): void
    {
        $score = $performance->written;
        $given = [];
        foreach ($performance->plan->marksOf(HandMark::class) as $mark) {
            $given = array_replace($given, array_fill_keys($mark->notes, $mark->hand));
        }
        $words = [];
        /** @var array<string, Fraction> $until end of the notes that the last word of a hand is for */
        $until = [];
        foreach ($given === [] ? [] : $score->notes as $note) {
            $hand = $given[$note->id] ?? null;
            if ($hand === null || $hand === ($note->staff === 1 ? Hand::Right : Hand::Left)) {
                continue;
            }
            $last = $until[$hand->value] ?? null;
            // Notes that follow within a beat go on in that hand.
            if ($last === null || $last->plus($score->measures[$note->measure]->time->beat())->isLessThan($note->onset)) {
                $words[] = [$note->onset, self::WORDS[$hand->value]];
            }
            $until[$hand->value] = Fraction::max($last ?? Fraction::zero(), $note->end());
        }
        WordsWriter::write($tree, $score, $words);
    }
}
