<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * What a hand plays, as one grip after another. Notes that it cannot go on holding, because the hand is too small or
 * has no finger left, are let go and named.
 */
final readonly class Grips
{
    private const FINGERS = 5;

    /**
     * @param  list<Grip>  $grips
     * @param  array<string, int>  $released  ids of notes let go before their end, with the grip at which
     */
    private function __construct(
        public array $grips,
        public array $released,
    ) {
    }

    /**
     * @param  list<Note>  $notes  of one hand, in time order
     */
    public static function of(Hand $hand, array $notes, TempoMap $tempo, Spans $spans): self
    {
        $grips = $released = $held = [];
        foreach (self::strokes($notes) as $struck) {
            $at = $struck[0]->onset;
            $held = array_values(array_filter($held, fn (Note $note): bool => $at->isLessThan($note->end()) && ! self::strikesAgain($note, $struck)));
            while ($held !== [] && (count($held) + count($struck) > self::FINGERS || ! self::fits(Grip::of($hand, $struck, $held, $tempo), $spans))) {
                $far = self::farthest($held, $struck);
                $released[$held[$far]->id] = count($grips);
                array_splice($held, $far, 1);
            }
            $grips[] = Grip::of($hand, $struck, $held, $tempo);
            $held = [...$held, ...array_filter($struck, fn (Note $note): bool => ! $note->grace)];
        }

        return new self($grips, $released);
    }

    /**
     * What is struck together; grace notes one by one before what they lead to.
     *
     * @param  list<Note>  $notes
     * @return list<non-empty-list<Note>>
     */
    private static function strokes(array $notes): array
    {
        $strokes = [];
        $at = null;
        foreach ($notes as $note) {
            $isTogether = ! $note->grace && $at instanceof Fraction && $at->equals($note->onset);
            if ($isTogether) {
                $strokes[count($strokes) - 1][] = $note;
            } else {
                $strokes[] = [$note];
            }
            $at = $note->grace ? null : $note->onset;
        }

        // Two voices may share a key: it needs one finger.
        return array_map(function (array $stroke): array {
            $keys = [];
            foreach ($stroke as $note) {
                $known = $keys[$note->midi] ?? null;
                $keys[$note->midi] = $known === null || $known->duration->isLessThan($note->duration) ? $note : $known;
            }

            return array_values($keys);
        }, $strokes);
    }

    /**
     * @param  list<Note>  $struck
     */
    private static function strikesAgain(Note $held, array $struck): bool
    {
        return array_filter($struck, fn (Note $note): bool => $note->midi === $held->midi) !== [];
    }

    private static function fits(Grip $grip, Spans $spans): bool
    {
        return FingerPlanner::assignments($grip, $spans, true) !== [];
    }

    /**
     * @param  non-empty-list<Note>  $held
     * @param  non-empty-list<Note>  $struck
     */
    private static function farthest(array $held, array $struck): int
    {
        $middle = array_sum(array_map(fn (Note $note): int => $note->midi, $struck)) / count($struck);
        $far = 0;
        foreach ($held as $index => $note) {
            if (abs($note->midi - $middle) > abs($held[$far]->midi - $middle)) {
                $far = $index;
            }
        }

        return $far;
    }
}
