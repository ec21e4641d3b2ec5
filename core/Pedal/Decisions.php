<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;

/**
 * What else the foot could do at a place, what it would cost by the way of pedalling, and what it would sound like.
 */
final readonly class Decisions
{
    /** So many of them are told. */
    private const TOLD = 2;

    /** Of a quarter, to which places are compared. */
    private const SAME = 1e-9;

    /**
     * @param  Timeline  $timeline  the bars around the place
     */
    private function __construct(private Timeline $timeline, private Pedals $pedals, private Policy $policy, private Resonance $resonance)
    {
    }

    /**
     * @return list<Decision> the best first
     */
    public static function at(Timeline $timeline, Pedals $pedals, Policy $policy, Resonance $resonance, Fraction $at): array
    {
        $decisions = new self($timeline, $pedals, $policy, $resonance);
        $planned = $decisions->cost($pedals->damper);
        $all = [];
        foreach ($decisions->ways($at) as [$action, $words, $spans]) {
            [$blur, $bass, $findings] = $decisions->sound($spans, $at);
            $all[] = new Decision($action, $words, round($decisions->cost($spans) - $planned, 2), $blur, $bass, $findings);
        }
        usort($all, fn (Decision $a, Decision $b): int => $a->extra <=> $b->extra);

        return array_slice($all, 0, self::TOLD);
    }

    /**
     * What could be done in place of what is planned.
     *
     * @return list<array{Action, string, list<Span>}>
     */
    private function ways(Fraction $at): array
    {
        $spans = $this->pedals->damper;
        foreach ($spans as $index => $span) {
            if ($at->isLessThan($span->down) || ! $at->isLessThan($span->up)) {
                continue;
            }
            $with = fn (Span ...$others): array => [...array_slice($spans, 0, $index), ...array_values($others), ...array_slice($spans, $index + 1)];
            $other = $span->depth->isFull() ? Depth::half() : Depth::full();
            $ways = [[Action::Halve, $span->depth->isFull() ? 'half pedal' : 'all the way down', $with($span->at($other))]];
            if ($span->down->isLessThan($at)) {
                return [
                    ...$ways, [Action::Change, 'change here', $with($span->between($span->down, $at), $span->between($at, $span->up))],
                    [Action::Lift, 'come up here', $with($span->between($span->down, $at))],
                ];
            }
            $before = $spans[$index - 1] ?? null;
            if ($before !== null && $before->up->equals($span->down)) {
                $ways[] = [Action::Remove, 'no change: the pedal before goes on', [...array_slice($spans, 0, $index - 1), $before->between($before->down, $span->up), ...array_slice($spans, $index + 1)]];
            }

            return [...$ways, [Action::Erase, 'no pedal here', $with()]];
        }
        $end = $this->naturalEnd($at);

        return $end === null ? [] : [[Action::Change, 'pedal here', $this->sorted([...$spans, new Span($at, $end)])]];
    }

    /**
     * Where a pedal that goes down at a place would end: with the harmony, or where the next one begins.
     */
    private function naturalEnd(Fraction $at): ?Fraction
    {
        $k = $this->timeline->momentAt($at);
        $moments = $this->timeline->moments;
        if ($moments[$k]->strikes === [] || ! $moments[$k]->at->equals($at)) {
            return null;
        }
        $next = array_values(array_filter($this->pedals->damper, fn (Span $span): bool => $at->isLessThan($span->down)))[0] ?? null;
        for ($end = $k + 1; isset($moments[$end + 1]) && $moments[$end]->harmony === $moments[$k]->harmony && $moments[$end]->silence <= 0 && ($next === null || $moments[$end]->at->isLessThan($next->down)); $end++) {
        }

        return isset($moments[$end]) ? $moments[$end]->at : null;
    }

    /**
     * The worst blur, whether the bass sounds, and how much is to be said, from a place to the end of what holds there.
     *
     * @param  list<Span>  $spans
     * @return array{float, ?bool, int}
     */
    private function sound(array $spans, Fraction $at): array
    {
        $holding = array_values(array_filter($spans, fn (Span $span): bool => ! $at->isLessThan($span->down) && $at->isLessThan($span->up)))[0] ?? null;
        $pedals = new Pedals($spans, $this->pedals->soft, $this->pedals->sostenuto, $this->pedals->washes, $this->pedals->dry);
        $examination = Examiner::examine($this->timeline, $pedals, $this->resonance, $at, $holding->up ?? $at, $this->policy->foot);
        $blur = array_filter($examination->blur, fn (array $point): bool => ! $point['onset']->isLessThan($at) && ($holding === null || $point['onset']->isLessThan($holding->up)));
        $bass = $this->timeline->moments[$this->timeline->momentAt($at)]->bass;
        $strings = $this->resonance->under($this->timeline->momentAt($at), Examiner::foot($this->timeline, $spans));

        return [
            max([0.0, ...array_column($blur, 'value')]), $bass === null ? null : $strings->sounds($bass->midi, -INF),
            count(array_filter($examination->findings, fn (Finding $finding): bool => $finding->at->minus($at)->toFloat() > -self::SAME)),
        ];
    }

    /**
     * @param  list<Span>  $spans
     */
    private function cost(array $spans): float
    {
        $last = count($this->timeline->moments) - 1;
        $within = [];
        foreach ($spans as $span) {
            $from = $this->timeline->momentAt($span->down);
            $to = $span->up->isLessThan($this->timeline->moments[$last]->at) ? $this->timeline->momentAt($span->up) : $last;
            if ($this->timeline->moments[0]->at->isLessThan($span->up) && $from < $to) {
                $within[] = [$from, $to, $span->depth];
            }
        }

        return Costs::of($this->timeline, $this->policy, $this->resonance, $within);
    }

    /**
     * @param  list<Span>  $spans
     * @return list<Span>
     */
    private function sorted(array $spans): array
    {
        usort($spans, fn (Span $a, Span $b): int => $a->down->compareTo($b->down));

        return $spans;
    }
}
