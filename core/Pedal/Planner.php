<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Depth;

/**
 * The cheapest pedalling of a timeline, by dynamic programming over all moments.
 *
 * At each moment the dampers are up or down. A span begins with a change at an onset, has a depth, and ends at a later
 * moment; what is caught there is what the fingers still hold. The policy says what is cheap and what is settled.
 */
final class Planner
{
    /** No span is longer, in seconds. */
    private const LONGEST = 40.0;

    /** A span this much dearer than a fresh change can never win again. */
    private const HOPELESS = 2.0;

    /** So many spans are compared at a moment; of more, as under a long shake, the dearest go. */
    private const MOST_SPANS = 160;

    private readonly Costs $costs;

    /** @var array<int, float> cost of having the pedal down, by what it is since: a moment and a depth */
    private array $down = [];

    /** @var array<int, ?int> where a span came from: the span it ends, or null from no pedal */
    private array $cameFrom = [];

    /** @var array<int, ?int> by moment: the span whose lift is there, or null where the pedal was up before */
    private array $upFrom = [];

    private float $up = 0.0;

    private float $upSince = -INF;

    private readonly int $depths;

    private function __construct(private readonly Timeline $timeline, private readonly Policy $policy, Resonance $resonance)
    {
        $this->costs = new Costs($timeline, $policy, $resonance);
        $this->depths = count($policy->depths);
    }

    /**
     * @return list<array{int, int, Depth}> moments at which the pedal goes down and comes up, and how deep it is
     */
    public static function plan(Timeline $timeline, Policy $policy, Resonance $resonance): array
    {
        $planner = new self($timeline, $policy, $resonance);
        $last = count($timeline->moments) - 1;
        for ($k = 0; $k < $last; $k++) {
            $planner->decide($k);
            $planner->goOn($k);
        }
        $planner->decide($last);

        return $planner->trace($last);
    }

    /**
     * What can happen at a moment: a pedal goes down, comes up, or nothing.
     */
    private function decide(int $k): void
    {
        $settled = $this->policy->settledAt($k);
        if ($settled !== null && ! $this->policy->begins($k)) {
            [$this->up, $this->upFrom[$k]] = [INF, null];

            return;
        }
        [$ended, $endedCost] = $this->cheapestEnd($k);
        $wasSettled = $k > 0 && $this->policy->settledAt($k - 1) !== null;
        if ($settled !== null) {
            $from = $endedCost <= $this->up ? $ended : null;
            $this->down = [$this->state($k, $this->settledDepth($settled)) => min($endedCost, $this->up)];
            $this->cameFrom[array_key_first($this->down)] = $from;
            $this->upFrom[$k] = null;
            $this->up = INF;

            return;
        }
        $begun = $this->policy->isDry($k) || $this->timeline->moments[$k]->strikes === [] ? null : $this->beginning($k, $ended, $endedCost);
        if ($wasSettled || $this->policy->isDry($k)) {
            $this->down = [];
        }
        for ($depth = 0; $begun !== null && $depth < $this->depths; $depth++) {
            [$this->down[$this->state($k, $depth)], $this->cameFrom[$this->state($k, $depth)]] = $begun;
        }
        $stayUp = $this->up + ($this->policy->isDry($k) ? 0.0 : $this->costs->unjoined($k));
        if ($endedCost < $stayUp) {
            [$this->up, $this->upFrom[$k], $this->upSince] = [$endedCost, $ended, $this->timeline->moments[$k]->seconds];
        } else {
            [$this->up, $this->upFrom[$k]] = [$stayUp, null];
        }
    }

    /**
     * From a moment to the next.
     */
    private function goOn(int $k): void
    {
        $this->costs->goTo($k);
        $now = $this->timeline->moments[$k]->seconds;
        $limit = min([$this->up, ...array_filter(array_map(fn (int $depth): ?float => $this->down[$this->state($k, $depth)] ?? null, range(0, $this->depths - 1)), is_float(...))]) + self::HOPELESS;
        foreach (array_reverse($this->down, true) as $state => $cost) {
            $since = intdiv($state, $this->depths);
            if (count($this->down) > 1 && ($cost > $limit || $now - $this->timeline->moments[$since]->seconds > self::LONGEST)) {
                unset($this->down[$state]);

                continue;
            }
            $this->down[$state] += $this->costs->down($since, $state % $this->depths);
        }
        $this->up += $this->costs->up();
        if (count($this->down) > self::MOST_SPANS) {
            asort($this->down);
            $this->down = array_slice($this->down, 0, intdiv(self::MOST_SPANS, 2), true);
            ksort($this->down);
        }
    }

    /**
     * @return array{?int, float} the span that is best ended at a moment and what it costs
     */
    private function cheapestEnd(int $k): array
    {
        $best = null;
        $least = INF;
        foreach ($this->down as $state => $cost) {
            $cost += $this->costs->haste($k, $this->timeline->moments[$k]->seconds - $this->timeline->moments[intdiv($state, $this->depths)]->seconds);
            if ($cost < $least) {
                [$best, $least] = [$state, $cost];
            }
        }

        return [$best, $least];
    }

    /**
     * @return array{float, ?int} cost of going down at a moment, and the span that it ends
     */
    private function beginning(int $k, ?int $ended, float $endedCost): array
    {
        $fromUp = $this->up + $this->costs->unjoined($k) + $this->costs->haste($k, $this->timeline->moments[$k]->seconds - $this->upSince) + $this->costs->change($k, false);
        $fromDown = $endedCost + $this->costs->change($k, true);

        return $fromDown <= $fromUp ? [$fromDown, $ended] : [$fromUp, null];
    }

    private function state(int $moment, int $depth): int
    {
        return $moment * $this->depths + $depth;
    }

    /**
     * The depth of the policy that is nearest to one.
     */
    private function settledDepth(Depth $depth): int
    {
        $nearest = 0;
        foreach ($this->policy->depths as $index => $one) {
            $nearest = abs($one->share - $depth->share) < abs($this->policy->depths[$nearest]->share - $depth->share) ? $index : $nearest;
        }

        return $nearest;
    }

    /**
     * @return list<array{int, int, Depth}>
     */
    private function trace(int $last): array
    {
        $spans = [];
        for ($k = $last; $k >= 0; $k--) {
            $end = $k;
            for ($state = $this->upFrom[$k]; $state !== null; $state = $this->cameFrom[$state]) {
                $start = intdiv($state, $this->depths);
                $spans[] = [$start, $end, $this->policy->depths[$state % $this->depths]];
                $end = $k = $start;
            }
        }

        return array_reverse($spans);
    }
}
