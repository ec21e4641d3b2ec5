<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;

/**
 * Finds where the hands, or two voices of one, divide a beat, two beats or a bar into different equal parts.
 */
final class CrossRhythms
{
    /** More equal notes than this in one hand are a run and are not counted against the other. */
    private const MOST = 13;

    /**
     * The smallest span of time in which they meet is taken.
     *
     * @param  array<string, Hand>  $hands  by note id; where one is missing its staff has it
     * @return list<CrossRhythm> by place
     */
    public static function find(Score $score, array $hands = []): array
    {
        /** @var array<int, array<string, array<string, array<string, Fraction>>>> $onsets by bar, hand and voice */
        $onsets = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $hand = $hands[$note->id] ?? ($note->staff === 1 ? Hand::Right : Hand::Left);
                $onsets[$note->measure][$hand->value]["$note->staff/$note->voice"][(string) $note->onset] = $note->onset;
            }
        }
        $found = [];
        foreach ($score->measures as $measure) {
            $voices = $onsets[$measure->index] ?? [];
            $crosses = isset($voices['right'], $voices['left']) ? self::inBar($measure, self::together($voices['right']), self::together($voices['left']), null) : [];
            foreach (Hand::cases() as $hand) {
                $crosses = [...$crosses, ...self::inHand($measure, $voices[$hand->value] ?? [], $hand)];
            }
            usort($crosses, fn (CrossRhythm $a, CrossRhythm $b): int => $a->from->compareTo($b->from));
            $found = [...$found, ...$crosses];
        }

        return $found;
    }

    /**
     * Between two voices of one hand, the first of them the upper one.
     *
     * @param  array<string, array<string, Fraction>>  $voices
     * @return list<CrossRhythm>
     */
    private static function inHand(Measure $measure, array $voices, Hand $hand): array
    {
        if (count($voices) !== 2) {
            return [];
        }
        ksort($voices, SORT_NATURAL);
        [$upper, $lower] = array_map(array_values(...), array_values($voices));

        return self::inBar($measure, $upper, $lower, $hand);
    }

    /**
     * @param  array<string, array<string, Fraction>>  $voices
     * @return list<Fraction>
     */
    private static function together(array $voices): array
    {
        return array_values(array_replace([], ...array_values($voices)));
    }

    /**
     * @param  list<Fraction>  $upper
     * @param  list<Fraction>  $lower
     * @return list<CrossRhythm>
     */
    private static function inBar(Measure $measure, array $upper, array $lower, ?Hand $hand): array
    {
        $found = [];
        $beat = $measure->time->beat();
        foreach ([1, 2, null] as $beats) {
            $length = $beats === null ? $measure->length : $beat->times(Fraction::of($beats));
            if (! $length->isPositive()) {
                continue;
            }
            for ($from = $measure->start; ! $measure->end()->isLessThan($from->plus($length)); $from = $from->plus($length)) {
                $to = $from->plus($length);
                $above = self::equalParts($upper, $from, $to);
                $below = self::equalParts($lower, $from, $to);
                $covered = array_filter($found, fn (CrossRhythm $other): bool => $from->isLessThan($other->to) && $other->from->isLessThan($to));
                if ($above > 1 && $below > 1 && Fraction::of($above, $below)->denominator === $below && $covered === []) {
                    $found[] = new CrossRhythm($from, $to, $measure->index, $above, $below, $hand);
                }
            }
        }

        return $found;
    }

    /**
     * Into how many equal parts a hand divides a span; 0 if it does not.
     *
     * @param  list<Fraction>  $onsets
     */
    private static function equalParts(array $onsets, Fraction $from, Fraction $to): int
    {
        $inside = array_values(array_filter($onsets, fn (Fraction $onset): bool => ! $onset->isLessThan($from) && $onset->isLessThan($to)));
        $count = count($inside);
        if ($count < 2 || $count > self::MOST) {
            return 0;
        }
        usort($inside, fn (Fraction $a, Fraction $b): int => $a->compareTo($b));
        $part = $to->minus($from)->times(Fraction::of(1, $count));
        foreach ($inside as $place => $onset) {
            if (! $onset->equals($from->plus($part->times(Fraction::of($place))))) {
                return 0;
            }
        }

        return $count;
    }
}
