<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\Suggests;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Score;

/**
 * Puts the suggestion of the plan's school into it: the teacher's own marks stay, and where they stand nothing is
 * suggested; earlier suggestions and printed marks give way.
 */
final class SuggestedPedal implements Suggests
{
    public function suggest(Performance $performance): Plan
    {
        return self::into($performance->plan, $performance->written, Suggestion::of($performance), $performance->plan->settings(PedalSettings::class));
    }

    public function goesByStudent(Plan $plan): bool
    {
        return array_filter($plan->marksOf(PedalMark::class), fn (PedalMark $mark): bool => $mark->origin === Origin::Suggested) !== [];
    }

    /**
     * @param  list<Span>  $suggested
     */
    public static function into(Plan $plan, Score $score, array $suggested, PedalSettings $settings): Plan
    {
        $kept = array_values(array_filter($plan->marksOf(PedalMark::class), fn (PedalMark $mark): bool => $mark->origin === Origin::Teacher || $mark->dry));
        $measures = array_column($score->measures, null, 'id');
        $taken = [];
        foreach ($kept as $mark) {
            $from = $mark->from->onset($measures);
            $to = $mark->to->onset($measures);
            if ($from !== null && $to !== null) {
                $taken[] = [$from, $to];
            }
        }
        $marks = $kept;
        foreach ($suggested as $span) {
            foreach (self::without($span, $taken) as $free) {
                $marks[] = self::mark('suggested-'.count($marks), $score, $free, $settings->school === School::AsPrinted ? Origin::Printed : Origin::Suggested);
            }
        }
        $others = array_values(array_filter($plan->marks, fn (Mark $mark): bool => ! $mark instanceof PedalMark));

        return $plan->withMarks([...$marks, ...$others])->withSettings(PedalCraft::NAME, $settings);
    }

    public static function mark(string $id, Score $score, Span $span, Origin $origin): PedalMark
    {
        return new PedalMark($id, false, Place::at($score, $span->down), Place::at($score, $span->up), $span->depth, $origin, manner: $span->manner);
    }

    /**
     * What is left of a span outside the stretches that are taken.
     *
     * @param  list<array{Fraction, Fraction}>  $taken
     * @return list<Span>
     */
    private static function without(Span $span, array $taken): array
    {
        $pieces = [$span];
        foreach ($taken as [$from, $to]) {
            $left = [];
            foreach ($pieces as $piece) {
                if (! $from->isLessThan($piece->up) || ! $piece->down->isLessThan($to)) {
                    $left[] = $piece;

                    continue;
                }
                if ($piece->down->isLessThan($from)) {
                    $left[] = $piece->between($piece->down, $from);
                }
                if ($to->isLessThan($piece->up)) {
                    $left[] = $piece->between($to, $piece->up);
                }
            }
            $pieces = $left;
        }

        return $pieces;
    }
}
