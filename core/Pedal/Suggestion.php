<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Performance\Manner;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\Acoustics;
use Tarnwind\Core\Student\Footwork;

/**
 * The pedalling that is suggested for a piece, around what the teacher has settled.
 */
final class Suggestion
{
    /**
     * @param  ?PedalSettings  $settings  in place of the plan's
     * @return list<Span> for a performance's score, student and her piano
     */
    public static function of(Performance $performance, ?PedalSettings $settings = null): array
    {
        $settings ??= $performance->plan->settings(PedalSettings::class);
        if ($settings->school === School::AsPrinted) {
            return PrintedPedal::spans($performance->score());
        }
        $passages = self::passages($performance);

        return self::spans(
            $performance->part(Timeline::class), $settings, $performance->student->piano->acoustics(), $passages, self::settled($performance, $passages), $performance->student->halfPedal, $performance->student->foot,
        );
    }

    /**
     * @param  list<array{Stretch, PedalSettings}>  $passages  that are pedalled in their own way
     * @param  Pedals  $settled  what the teacher has settled; nothing is suggested where it stands
     * @param  bool  $halfPedal  whether the instrument's pedal knows more than on and off
     * @return list<Span>
     */
    public static function spans(Timeline $timeline, PedalSettings $settings, Acoustics $acoustics, array $passages = [], Pedals $settled = new Pedals, bool $halfPedal = true, Footwork $foot = new Footwork): array
    {
        $policy = Policies::of($timeline, $settings, $passages, $settled, $halfPedal, $foot);
        $resonance = new Resonance($timeline, $acoustics, $settled);
        $spans = [];
        foreach (Planner::plan($timeline, $policy, $resonance) as [$from, $to, $depth]) {
            if ($policy->settledAt($from) === null) {
                $moment = $timeline->moments[$from];
                $hurried = ($moment->window(FootTiming::MARGIN) ?? $foot->catches) < $foot->catches;
                $spans[] = new Span($moment->at, $timeline->moments[$to]->at, $depth, manner: $hurried ? Manner::With : self::habit($settings, $passages, $moment->at));
            }
        }

        return $spans;
    }

    /**
     * Passages that are pedalled in their own way.
     *
     * @return list<array{Stretch, PedalSettings}>
     */
    public static function passages(Performance $performance): array
    {
        $measures = array_column($performance->written->measures, null, 'id');
        $passages = [];
        foreach ($performance->plan->marksOf(PassageMark::class) as $mark) {
            $stretch = $mark->stretch($measures);
            if ($stretch !== null) {
                $passages[] = [$stretch, $mark->settings];
            }
        }

        return $passages;
    }

    /**
     * @param  list<array{Stretch, PedalSettings}>  $passages
     */
    private static function habit(PedalSettings $settings, array $passages, Fraction $at): Manner
    {
        foreach ($passages as [$stretch, $own]) {
            $settings = $stretch->holds($at) ? $own : $settings;
        }

        return $settings->habit;
    }

    /**
     * What the teacher has settled; in passages that are pedalled as printed, the print.
     *
     * @param  list<array{Stretch, PedalSettings}>  $passages
     */
    private static function settled(Performance $performance, array $passages): Pedals
    {
        $measures = array_column($performance->written->measures, null, 'id');
        $pedals = $performance->pedals();
        $spans = [];
        foreach ($performance->plan->marksOf(PedalMark::class) as $mark) {
            if (! $mark->dry && $mark->origin === Origin::Teacher) {
                $spans[] = $mark->span($measures);
            }
        }
        foreach ($passages as [$stretch, $own]) {
            if ($own->school === School::AsPrinted) {
                $spans = [...$spans, ...array_filter(PrintedPedal::spans($performance->score()), fn (Span $span): bool => $stretch->holds($span->down))];
            }
        }
        $spans = array_values(array_filter($spans));
        usort($spans, fn (Span $a, Span $b): int => $a->down->compareTo($b->down));

        return new Pedals($spans, $pedals->soft, $pedals->sostenuto, $pedals->washes, $pedals->dry);
    }
}
