<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Sound\Decay;

/**
 * The cheapest pedalling of a timeline, by dynamic programming over all moments.
 *
 * At each moment the dampers are up or down. A span begins with a change at an onset and ends at a later
 * moment; what is caught there is what the fingers still hold. The weights say what is cheap.
 */
final class Planner
{
    /** Foot movements closer than this, in seconds, are tiring [start]. */
    public const FAST = 0.35;

    /** A change off the strong beats costs more by this factor [start]. */
    private const OFF_BEAT = 1.6;

    /** No span is longer, in seconds. */
    private const LONGEST = 40.0;

    /** A span this much dearer than a fresh change can never win again. */
    private const HOPELESS = 3.0;

    /** So many spans are compared at a moment; of more, as under a long shake, the dearest go. */
    private const MOST_SPANS = 160;

    /** A moment's cost lasts at most this long, in seconds. */
    private const LONGEST_STEP = 1.0;

    /**
     * @return list<array{int, int}> moments at which the pedal goes down and comes up
     */
    public static function plan(Timeline $timeline, Weights $weights, Decay $decay): array
    {
        $moments = $timeline->moments;
        $last = count($moments) - 1;
        $resonance = new Resonance($timeline, $decay);
        $harmony = new HarmonySoFar;
        /** @var array<int, float> $down cost of having the pedal down since a moment */
        $down = [];
        /** @var array<int, ?int> $cameFrom by moment of a change: the span it ends, or null from no pedal */
        $cameFrom = [];
        /** @var array<int, ?int> $upFrom by moment: the span whose lift is there, or null where the pedal was up before */
        $upFrom = [];
        $up = 0.0;
        $upSince = -INF;
        for ($k = 0; $k <= $last; $k++) {
            $moment = $moments[$k];
            [$ended, $endedCost] = self::cheapestEnd($down, $moments, $k, $weights);
            $begun = $moment->strikes === [] ? null : self::beginning($moment, $weights, $up, $upSince, $ended, $endedCost);
            if ($begun !== null) {
                [$down[$k], $cameFrom[$k]] = $begun;
            }
            $stayUp = $up + ($moment->needsJoin ? $weights->dry : 0.0);
            if ($endedCost < $stayUp) {
                [$up, $upFrom[$k], $upSince] = [$endedCost, $ended, $moment->seconds];
            } else {
                [$up, $upFrom[$k]] = [$stayUp, null];
            }
            if ($k === $last) {
                break;
            }
            $harmony->move($moment, $timeline->harmonyAt($k));
            $strings = $resonance->at($k);
            $merged = $k > 0 && $moment->harmony !== $moments[$k - 1]->harmony ? $weights->merge : 0.0;
            $step = min(self::LONGEST_STEP, $moments[$k + 1]->seconds - $moment->seconds);
            $limit = min($up, $down[$k] ?? INF) + self::HOPELESS;
            foreach (array_reverse($down, true) as $start => $cost) {
                if ($cost > $limit || $moment->seconds - $moments[$start]->seconds > self::LONGEST) {
                    unset($down[$start]);

                    continue;
                }
                $down[$start] += ($start < $k ? $merged : 0.0) + self::pedalled($moment, $strings, $harmony, $moments[$start]->seconds, $step, $weights);
            }
            $up += $step * self::bare($strings, $harmony, $moment->seconds, $weights);
            if (count($down) > self::MOST_SPANS) {
                asort($down);
                $down = array_slice($down, 0, intdiv(self::MOST_SPANS, 2), true);
                ksort($down);
            }
        }

        return self::trace($cameFrom, $upFrom, $last);
    }

    /**
     * @param  array<int, float>  $down
     * @param  list<Moment>  $moments
     * @return array{?int, float} the span that is best ended at a moment and what it costs
     */
    private static function cheapestEnd(array $down, array $moments, int $k, Weights $weights): array
    {
        $best = null;
        $least = INF;
        foreach ($down as $start => $cost) {
            $cost += self::haste($moments[$k]->seconds - $moments[$start]->seconds, $weights);
            if ($cost < $least) {
                [$best, $least] = [$start, $cost];
            }
        }

        return [$best, $least];
    }

    /**
     * @return array{float, ?int} cost of going down at a moment, and the span that it ends
     */
    private static function beginning(Moment $moment, Weights $weights, float $up, float $upSince, ?int $ended, float $endedCost): array
    {
        $change = $weights->change * ($moment->strength >= 0.5 ? 1.0 : self::OFF_BEAT);
        $fromUp = $up + ($moment->needsJoin ? $weights->dry : 0.0) + self::haste($moment->seconds - $upSince, $weights);

        return $endedCost <= $fromUp ? [$endedCost + $change, $ended] : [$fromUp + $change, null];
    }

    private static function haste(float $seconds, Weights $weights): float
    {
        return $seconds < self::FAST ? $weights->fast * (1 - $seconds / self::FAST) : 0.0;
    }

    /**
     * What a moment costs with the pedal down since a time.
     */
    private static function pedalled(Moment $moment, RingingStrings $strings, HarmonySoFar $harmony, float $since, float $step, Weights $weights): float
    {
        $blur = $strings->blur($since);
        $perSecond = $weights->blur * $blur ** 2 / ($blur + $weights->knee) - $weights->resonance + self::bare($strings, $harmony, $since, $weights);
        foreach ($moment->smeared as $strike) {
            if ($strings->sounds($strike->midi, $since)) {
                $perSecond += $weights->smear;
                break;
            }
        }

        return $step * $perSecond + $weights->staccato * $moment->dryShare() + $weights->rest * $moment->silence;
    }

    /**
     * What a moment costs a second for what does not sound any more.
     */
    private static function bare(RingingStrings $strings, HarmonySoFar $harmony, float $since, Weights $weights): float
    {
        $bassLost = $harmony->bass !== null && ! $strings->sounds($harmony->bass, $since);

        return ($bassLost ? $weights->support : 0.0) + $weights->fill * $harmony->shareLost($strings, $since);
    }

    /**
     * @param  array<int, ?int>  $cameFrom
     * @param  array<int, ?int>  $upFrom
     * @return list<array{int, int}>
     */
    private static function trace(array $cameFrom, array $upFrom, int $last): array
    {
        $spans = [];
        for ($k = $last; $k >= 0; $k--) {
            $end = $k;
            for ($start = $upFrom[$k]; $start !== null; $start = $cameFrom[$start]) {
                $spans[] = [$start, $end];
                $end = $k = $start;
            }
        }

        return array_reverse($spans);
    }
}
