<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\ShapesNotes;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;

/**
 * Puts the teacher's dynamics and hairpins in place of what is printed where they stand.
 */
final class PlannedDynamics implements ShapesNotes
{
    public function notes(Score $score, Plan $plan): Score
    {
        $own = self::signs($score, $plan);

        return $own === [] ? $score : $score->withMarks(self::inOrder([...self::without($score->marks, $own), ...$own]));
    }

    /**
     * @return list<Sign> those of the plan that have a place in the score; a hairpin is its two ends, one after the other
     */
    public static function signs(Score $score, Plan $plan): array
    {
        /** @var array<string, Measure> $measures */
        $measures = array_column($score->measures, null, 'id');
        $signs = [];
        foreach ($plan->marksOf(HairpinMark::class) as $mark) {
            [$from, $to] = [$mark->from->onset($measures), $mark->to->onset($measures)];
            if ($from !== null && $to !== null && $from->isLessThan($to)) {
                $signs[] = new Sign('wedge', $from, $mark->grows ? 'crescendo' : 'diminuendo', $score->measureAt($from)->index, null, true);
                $signs[] = new Sign('wedge', $to, 'stop', $score->measureAt($to)->index, null, true);
            }
        }
        foreach ($plan->marksOf(DynamicMark::class) as $mark) {
            $at = $mark->at->onset($measures);
            if ($at !== null) {
                $signs[] = new Sign('dynamics', $at, $mark->dynamic, $score->measureAt($at)->index, $mark->staves->number(), true);
            }
        }

        return $signs;
    }

    /**
     * What is printed and stays: not a dynamic where the teacher has one, nor a hairpin that meets one of hers.
     *
     * @param  list<Sign>  $printed
     * @param  list<Sign>  $own
     * @return list<Sign>
     */
    private static function without(array $printed, array $own): array
    {
        $spans = $places = [];
        foreach ($own as $index => $sign) {
            if ($sign->kind === 'dynamics') {
                $places[(string) $sign->onset][] = $sign->staff;
            } elseif ($sign->value !== 'stop') {
                $spans[] = [$sign->onset, $own[$index + 1]->onset];
            }
        }
        $kept = [];
        $open = null;
        foreach ($printed as $place => $sign) {
            if ($sign->kind === 'wedge') {
                if ($sign->value !== 'stop') {
                    $end = self::stopAfter($printed, $place)->onset ?? $sign->onset;
                    $open = self::meets($spans, $sign->onset, $end) ? 'gone' : 'kept';
                }
                if ($open === 'gone') {
                    continue;
                }
            }
            $theirs = $sign->kind === 'dynamics' ? $places[(string) $sign->onset] ?? [] : [];
            if ($theirs === [] || ! (in_array(null, $theirs, true) || in_array($sign->staff, $theirs, true))) {
                $kept[] = $sign;
            }
        }

        return $kept;
    }

    /**
     * @param  list<Sign>  $signs
     */
    private static function stopAfter(array $signs, int $place): ?Sign
    {
        for ($next = $place + 1; $next < count($signs); $next++) {
            if ($signs[$next]->kind === 'wedge') {
                return $signs[$next]->value === 'stop' ? $signs[$next] : null;
            }
        }

        return null;
    }

    /**
     * @param  list<array{Fraction, Fraction}>  $spans
     */
    private static function meets(array $spans, Fraction $from, Fraction $to): bool
    {
        foreach ($spans as [$begin, $end]) {
            if ($begin->isLessThan($to) && $from->isLessThan($end)) {
                return true;
            }
        }

        return false;
    }

    /**
     * At one moment ends of hairpins come first, their beginnings last.
     *
     * @param  list<Sign>  $signs
     * @return list<Sign>
     */
    private static function inOrder(array $signs): array
    {
        $rank = fn (Sign $sign): int => $sign->kind !== 'wedge' ? 1 : ($sign->value === 'stop' ? 0 : 2);
        usort($signs, fn (Sign $a, Sign $b): int => $a->onset->compareTo($b->onset) ?: $rank($a) <=> $rank($b));

        return $signs;
    }
}
