<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Measures;

use Tarnwind\Core\Hear\Attack;
use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\MeasureKind;
use Tarnwind\Core\Hear\Measures;
use Tarnwind\Core\Hear\Run;
use Tarnwind\Core\Hear\Statistics;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Time\FreeMark;
use Tarnwind\Core\Time\RubatoMark;

/**
 * The pulse: waiting before notes, bars that rush or drag against those around them, a tempo that drifts, and the slowings, fermatas, rests
 * and rubato of the plan. A take may be slower or quicker than the plan as a whole.
 */
final class Pacing implements Measures
{
    /** Strokes nearer to each other than this, in planned ms, say nothing of the pulse. */
    private const NEAR = 60.0;

    /** Strokes on each side by which the pace at one is taken, and bars by which that at a bar is. */
    private const AROUND = 8;

    private const BARS = 10;

    /** Times its strict length from which a stroke is planned to be waited for, and a passage to slow down; with so many ms more. */
    private const HELD = 1.5;

    private const SLOWS = 1.12;

    private const TAKES = 200.0;

    /** A wait is one only if it is this share of what is planned too [start]. */
    private const SHARE = 0.4;

    /** Before a phrase a breath is natural: waits there count this much [start]. */
    private const BREATH = 0.5;

    /** Bars that a drift needs to be one, and how much of what the bars differ it must explain [start]. */
    private const DRIFTS = 6;

    private const EXPLAINED = 0.5;

    /** Strokes that a bar must have for a tempo of its own. */
    private const LEAST = 3;

    public function of(Comparison $comparison): array
    {
        $measures = [];
        $free = $this->free($comparison);
        foreach ($comparison->runs as $run) {
            $intervals = $this->intervals($run, $free);
            $measures = [...$measures, ...$this->waits($comparison, $run, $intervals), ...$this->slowings($comparison, $run, $intervals), ...$this->bars($comparison, $run, $intervals), ...$this->rests($comparison, $run, $intervals)];
        }

        return [...$measures, ...$this->rubato($comparison)];
    }

    /**
     * From stroke to stroke, where the beat is counted.
     *
     * @param  list<array{float, float}>  $free  quarters from and to which it is not
     * @return array<int, array{planned: float, played: float, steady: float, stretch: float}> by the place of the attack that begins it, in ms
     */
    private function intervals(Run $run, array $free): array
    {
        $intervals = [];
        foreach ($run->attacks as $index => $attack) {
            $next = $run->attacks[$index + 1] ?? null;
            if ($next === null || $next->planned - $attack->planned < self::NEAR) {
                continue;
            }
            foreach ($free as [$from, $to]) {
                if ($attack->at->toFloat() >= $from - 1e-6 && $attack->at->toFloat() < $to - 1e-6) {
                    continue 2;
                }
            }
            $planned = $next->planned - $attack->planned;
            $steady = $next->steady - $attack->steady;
            $intervals[$index] = ['planned' => $planned, 'played' => $next->played - $attack->played, 'steady' => $steady > 0 ? $steady : $planned, 'stretch' => $steady > 0 ? $planned / $steady : 1.0];
        }

        return $intervals;
    }

    /**
     * @return list<array{float, float}>
     */
    private function free(Comparison $comparison): array
    {
        $bars = array_column($comparison->performance->written->measures, null, 'id');
        $free = [];
        foreach ($comparison->performance->plan->marksOf(FreeMark::class) as $mark) {
            [$from, $to] = [$mark->from->onset($bars), $mark->to->onset($bars)];
            if ($from !== null && $to !== null) {
                $free[] = [$from->toFloat(), $to->toFloat()];
            }
        }

        return $free;
    }

    /**
     * Played for planned around an interval, itself left out.
     *
     * @param  array<int, array{planned: float, played: float, steady: float, stretch: float}>  $intervals
     * @param  ?int  $until  the last that counts; null for as far behind it as before it
     */
    private function pace(Run $run, array $intervals, int $at, ?int $until = null): float
    {
        $ratios = [];
        for ($index = $at - self::AROUND; $index <= ($until ?? $at + self::AROUND); $index++) {
            if ($index !== $at && isset($intervals[$index])) {
                $ratios[] = $intervals[$index]['played'] / $intervals[$index]['planned'];
            }
        }

        return count($ratios) < self::LEAST ? $run->pace() : max(Run::QUICKEST, Statistics::middle($ratios));
    }

    /**
     * Waits before notes, and what is held by plan.
     *
     * @param  array<int, array{planned: float, played: float, steady: float, stretch: float}>  $intervals
     * @return list<Measure>
     */
    private function waits(Comparison $comparison, Run $run, array $intervals): array
    {
        $phrases = [];
        foreach ($comparison->performance->reading()->boundaries as $boundary) {
            $phrases[(string) $boundary->at] = true;
        }
        $measures = [];
        foreach ($intervals as $index => $interval) {
            $pace = $this->pace($run, $intervals, $index);
            $next = $run->attacks[$index + 1];
            if ($this->isHeld($interval)) {
                $share = ($interval['played'] / $pace - $interval['steady']) / ($interval['planned'] - $interval['steady']);
                $measures[] = $this->measure($comparison, MeasureKind::Hold, $run->attacks[$index], $interval['played'] / $pace / $interval['steady'], $interval['stretch'], 1 - $share);

                continue;
            }
            $wait = $interval['played'] - $pace * $interval['planned'];
            $counts = $wait < self::SHARE * $pace * $interval['planned'] ? 0.0 : (isset($phrases[(string) $next->at]) ? self::BREATH : 1.0);
            $measures[] = $this->measure($comparison, MeasureKind::Hesitation, $next, $wait, 0.0, $counts * $wait);
        }

        return $measures;
    }

    /**
     * @param  array{planned: float, played: float, steady: float, stretch: float}  $interval
     */
    private function isHeld(array $interval): bool
    {
        return $interval['stretch'] >= self::HELD && $interval['planned'] - $interval['steady'] >= self::TAKES;
    }

    /**
     * Passages that are to slow down.
     *
     * @param  array<int, array{planned: float, played: float, steady: float, stretch: float}>  $intervals
     * @return list<Measure>
     */
    private function slowings(Comparison $comparison, Run $run, array $intervals): array
    {
        $measures = [];
        $open = [];
        foreach ([...array_keys($intervals), null] as $index) {
            $isSlow = $index !== null && $intervals[$index]['stretch'] >= self::SLOWS && ! $this->isHeld($intervals[$index]);
            if ($isSlow) {
                $open[] = $index;

                continue;
            }
            $of = fn (string $what): float => array_sum(array_map(fn (int $one): float => $intervals[$one][$what], $open));
            if (count($open) >= self::LEAST && $of('planned') - $of('steady') >= self::TAKES) {
                $pace = $this->pace($run, $intervals, $open[0], $open[0]);
                $share = ($of('played') / $pace - $of('steady')) / ($of('planned') - $of('steady'));
                $measures[] = $this->measure($comparison, MeasureKind::Slowing, $run->attacks[$open[0]], $of('played') / $pace / $of('steady'), $of('planned') / $of('steady'), 1 - $share);
            }
            $open = [];
        }

        return $measures;
    }

    /**
     * Bars against those around them, and all of them together.
     *
     * @param  array<int, array{planned: float, played: float, steady: float, stretch: float}>  $intervals
     * @return list<Measure>
     */
    private function bars(Comparison $comparison, Run $run, array $intervals): array
    {
        $bars = [];
        foreach ($intervals as $index => $interval) {
            $turn = $run->attacks[$index]->turn;
            $wait = $interval['played'] - $this->pace($run, $intervals, $index) * $interval['planned'];
            $bars[$turn] ??= ['planned' => 0.0, 'played' => 0.0, 'count' => 0, 'slow' => false, 'first' => $run->attacks[$index]];
            $bars[$turn]['slow'] = $bars[$turn]['slow'] || $interval['stretch'] >= self::SLOWS;
            // A wait is told as a wait.
            if ($wait <= $comparison->limit(MeasureKind::Hesitation)) {
                $bars[$turn]['planned'] += $interval['planned'];
                $bars[$turn]['played'] += $interval['played'];
                $bars[$turn]['count']++;
            }
        }
        $bars = array_filter($bars, fn (array $bar): bool => $bar['count'] >= self::LEAST && $bar['played'] > 0);
        $paces = array_map(fn (array $bar): float => $bar['played'] / $bar['planned'], $bars);
        $measures = [];
        $steady = [];
        $last = $run->last()->turn;
        foreach ($bars as $turn => $bar) {
            $near = array_values(array_filter($paces, fn (int $other): bool => $other !== $turn && abs($other - $turn) <= self::BARS, ARRAY_FILTER_USE_KEY));
            if (count($near) < self::LEAST || $bar['slow']) {
                continue;
            }
            $quicker = 1 - $paces[$turn] / Statistics::middle($near);
            $measures[] = $this->measure($comparison, MeasureKind::Rushed, $bar['first'], $quicker, 0.0, $quicker);
            // Who slows down at the end more than is planned does what players do.
            $measures[] = $this->measure($comparison, MeasureKind::Dragged, $bar['first'], -$quicker, 0.0, $turn >= $last - 1 ? 0.0 : -$quicker);
            if (abs($quicker) <= $comparison->limit(MeasureKind::Rushed)) {
                $steady[$turn] = log($paces[$turn]);
            }
        }

        return [...$measures, ...$this->drift($comparison, $steady, $bars)];
    }

    /**
     * @param  array<int, float>  $paces  their logarithms, by bar in the order of playing
     * @param  array<int, array{first: Attack}>  $bars
     * @return list<Measure>
     */
    private function drift(Comparison $comparison, array $paces, array $bars): array
    {
        if (count($paces) < self::DRIFTS) {
            return [];
        }
        [$meanTurn, $meanPace] = [Statistics::mean(array_map(floatval(...), array_keys($paces))), Statistics::mean(array_values($paces))];
        $sum = $square = $all = 0.0;
        foreach ($paces as $turn => $pace) {
            $sum += ($turn - $meanTurn) * ($pace - $meanPace);
            $square += ($turn - $meanTurn) ** 2;
            $all += ($pace - $meanPace) ** 2;
        }
        $slope = $sum / $square;
        $explained = $all > 0 ? $slope * $sum / $all : 0.0;
        $quicker = 1 - exp($slope * (max(array_keys($paces)) - min(array_keys($paces))));

        return [$this->measure($comparison, MeasureKind::Drift, $bars[min(array_keys($paces))]['first'], $quicker, 0.0, $explained >= self::EXPLAINED ? abs($quicker) : 0.0)];
    }

    /**
     * Rests of all that is written, that end too soon.
     *
     * @param  array<int, array{planned: float, played: float, steady: float, stretch: float}>  $intervals
     * @return list<Measure>
     */
    private function rests(Comparison $comparison, Run $run, array $intervals): array
    {
        $measures = [];
        $until = 0.0;
        $before = null;
        foreach ($run->attacks as $index => $attack) {
            $next = $run->attacks[$index + 1] ?? null;
            $ends = max(array_map(fn ($pair): float => $pair->note->end()->toFloat(), $attack->pairs));
            // Where a repeat goes back, what was held before it counts no longer.
            $until = $before !== null && $attack->at->isLessThan($before) ? $ends : max($until, $ends);
            $before = $attack->at;
            if ($next === null || ! isset($intervals[$index]) || $next->at->toFloat() <= $until + 1e-6 || $next->turn < $attack->turn) {
                continue;
            }
            $length = $next->at->toFloat() - $attack->at->toFloat();
            $rest = ($next->at->toFloat() - $until) / $length * $intervals[$index]['planned'] * $this->pace($run, $intervals, $index);
            $early = $this->pace($run, $intervals, $index) * $intervals[$index]['planned'] - $intervals[$index]['played'];
            $measures[] = $this->measure($comparison, MeasureKind::ShortRest, $next, $rest - $early, $rest, $early > self::SHARE * $rest ? $early : 0.0);
        }

        return $measures;
    }

    /**
     * Time that is to be taken and given back.
     *
     * @return list<Measure>
     */
    private function rubato(Comparison $comparison): array
    {
        $bars = array_column($comparison->performance->written->measures, null, 'id');
        $at = fn (Place $place): ?float => $place->onset($bars)?->toFloat();
        $measures = [];
        foreach ($comparison->performance->plan->marksOf(RubatoMark::class) as $mark) {
            [$from, $to] = [$at($mark->from), $at($mark->to)];
            foreach ($comparison->runs as $run) {
                $begin = $end = null;
                foreach ($run->attacks as $attack) {
                    $begin ??= abs($attack->at->toFloat() - (float) $from) < 1e-6 ? $attack : null;
                    $end ??= $begin !== null && abs($attack->at->toFloat() - (float) $to) < 1e-6 ? $attack : null;
                }
                if ($from !== null && $to !== null && $begin !== null && $end !== null) {
                    $strict = $end->steady - $begin->steady;
                    $planned = $end->planned - $begin->planned - $strict;
                    $heard = ($end->played - $begin->played) / $run->pace() - $strict;
                    $measures[] = $this->measure($comparison, MeasureKind::Rubato, $begin, $heard, $planned, abs($heard - $planned));
                }
            }
        }

        return $measures;
    }

    private function measure(Comparison $comparison, MeasureKind $kind, Attack $attack, float $value, float $planned, float $off): Measure
    {
        return new Measure($kind, $attack->bar, $attack->at, $attack->notes(), $value, $planned, $comparison->limit($kind), $off);
    }
}
