<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Decay;

/**
 * The pedalling a school suggests for a piece.
 */
final class Suggestion
{
    /** Half pedal is proposed where it saves at least this much of the planner's blur cost [start]. */
    private const HALF_PEDAL_GAIN = 0.25;

    /**
     * @return list<Span> for a performance's score, student and her piano
     */
    public static function of(Performance $performance, School $school): array
    {
        return self::spans($performance->score(), $performance->part(Timeline::class), $school, $performance->student->piano->kind->decay(), $performance->student->halfPedal);
    }

    /**
     * @param  bool  $halfPedal  whether the instrument's pedal knows more than on and off
     * @return list<Span>
     */
    public static function spans(Score $score, Timeline $timeline, School $school, Decay $decay, bool $halfPedal = true): array
    {
        if ($school === School::AsPrinted) {
            return PrintedPedal::spans($score);
        }
        $weights = $school->weights();
        $spans = Planner::plan($timeline, $weights, $decay);

        return Refinement::of($timeline, self::deepen($timeline, $spans, $weights, $decay, $halfPedal), $decay, $weights);
    }

    /**
     * Chooses full or half pedal for each span: half where a low string is worth keeping and the upper ones blur.
     *
     * @param  list<array{int, int}>  $spans
     * @return list<Span>
     */
    private static function deepen(Timeline $timeline, array $spans, Weights $weights, Decay $decay, bool $halfPedal): array
    {
        $resonance = new Resonance($timeline, $decay);
        $result = [];
        foreach ($spans as [$from, $to]) {
            $since = $timeline->moments[$from]->seconds;
            $gain = 0.0;
            $low = 128;
            for ($k = $from; $k < $to; $k++) {
                foreach ($timeline->moments[$k]->strikes as $strike) {
                    $low = min($low, $strike->midi);
                }
                if (! $halfPedal) {
                    continue;
                }
                $step = min(1.0, $timeline->moments[$k + 1]->seconds - $timeline->moments[$k]->seconds);
                $full = $resonance->at($k)->blur($since);
                if ($full >= Blur::CLOUDY_FROM) {
                    $half = $resonance->at($k, true)->blur($since);
                    $gain += $step * $weights->blur * ($full ** 2 / ($full + $weights->knee) - $half ** 2 / ($half + $weights->knee));
                }
            }
            $depth = $gain >= self::HALF_PEDAL_GAIN && $low <= Resonance::HALF_PEDAL_FREE ? Depth::Half : Depth::Full;
            $result[] = new Span($timeline->moments[$from]->at, $timeline->moments[$to]->at, $depth);
        }

        return $result;
    }
}
