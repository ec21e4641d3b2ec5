<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;

/**
 * Finds where the hands divide a beat, two beats or a bar into different equal parts.
 */
final class CrossRhythms
{
    /** More equal notes than this in one hand are a run and are not counted against the other. */
    private const MOST = 13;

    /**
     * The smallest span of time in which they meet is taken.
     *
     * @return list<CrossRhythm>
     */
    public static function find(Score $score): array
    {
        /** @var array<int, array<int, array<string, Fraction>>> $onsets by bar and hand */
        $onsets = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $onsets[$note->measure][min(2, $note->staff)][(string) $note->onset] = $note->onset;
            }
        }
        $found = [];
        foreach ($score->measures as $measure) {
            if (isset($onsets[$measure->index][1], $onsets[$measure->index][2])) {
                $found = [...$found, ...self::inBar($measure, array_values($onsets[$measure->index][1]), array_values($onsets[$measure->index][2]))];
            }
        }

        return $found;
    }

    /**
     * @param  list<Fraction>  $right
     * @param  list<Fraction>  $left
     * @return list<CrossRhythm>
     */
    private static function inBar(Measure $measure, array $right, array $left): array
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
                $upper = self::equalParts($right, $from, $to);
                $lower = self::equalParts($left, $from, $to);
                $covered = array_filter($found, fn (CrossRhythm $other): bool => $from->isLessThan($other->to) && $other->from->isLessThan($to));
                if ($upper > 1 && $lower > 1 && Fraction::of($upper, $lower)->denominator === $lower && $covered === []) {
                    $found[] = new CrossRhythm($from, $to, $measure->index, $upper, $lower);
                }
            }
        }
        usort($found, fn (CrossRhythm $a, CrossRhythm $b): int => $a->from->compareTo($b->from));

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
