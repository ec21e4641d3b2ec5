<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\Decay;

/**
 * Takes from a suggestion what would be said against it: what a finding offers as its remedy is done, where that leaves
 * less to be said. All values are ours [start].
 */
final class Refinement
{
    private const ROUNDS = 4;

    /** So many of the next notes are tried for the pedal to come back with. */
    private const RETURNS = 3;

    /** Of a quarter, to which the place of a lift is told. */
    private const PARTS = 48;

    /** How much each severity weighs, and a second of pedal that is given up. */
    private const WEIGHTS = ['hint' => 1.0, 'warning' => 2.0, 'serious' => 4.0];

    private const SECOND = 1.2;

    /** What it weighs that the pedal joins what fingers cannot. */
    private const JOIN = 0.35;

    /** Harmonies that run into each other are worse than a foot that must hurry. */
    private const SMEARED = 3.0;

    /** A chord that sounds so long, in seconds, is heard to be dry between pedalled ones. */
    private const LASTS = 1.2;

    /** More of them are dry by intention. */
    private const A_FEW = 3;

    /** Seconds. */
    private const SAME_TIME = 0.01;

    /** What an alternative must be better by. */
    private const GAIN = 0.2;

    /** @var array<string, float> prices by the spans */
    private array $prices = [];

    private readonly Resonance $resonance;

    private function __construct(private readonly Timeline $timeline, private readonly Decay $decay)
    {
        $this->resonance = new Resonance($timeline, $decay, keeps: true);
    }

    /**
     * @param  list<Span>  $spans  in order, not overlapping
     * @return list<Span>
     */
    public static function of(Timeline $timeline, array $spans, Decay $decay, Weights $weights): array
    {
        $refinement = new self($timeline, $decay);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $better = $refinement->round($spans);
            if ($better == $spans) {
                break;
            }
            $spans = $better;
        }

        return $weights->resonance > 0 ? $refinement->filled($spans) : $spans;
    }

    /**
     * A few chords that last are not left dry between two pedals: each gets its own, which comes up with the hands.
     *
     * @param  list<Span>  $spans
     * @return list<Span>
     */
    private function filled(array $spans): array
    {
        for ($index = 1; $index < count($spans); $index++) {
            $filling = $this->filling($spans[$index - 1]->up, $spans[$index]->down);
            $changed = [...array_slice($spans, 0, $index), ...$filling, ...array_slice($spans, $index)];
            if ($filling !== [] && $this->price($changed, $index, count($filling)) <= $this->price($spans, $index, 0)) {
                $spans = $changed;
                $index += count($filling);
            }
        }

        return $spans;
    }

    /**
     * @return list<Span> none where something else than lasting chords stands there, or too many of them
     */
    private function filling(Fraction $from, Fraction $to): array
    {
        $filling = [];
        for ($k = $this->timeline->momentAt($from); $this->timeline->moments[$k]->at->isLessThan($to); $k++) {
            [$moment, $next] = [$this->timeline->moments[$k], $this->timeline->moments[$k + 1]];
            if ($moment->strikes === []) {
                continue;
            }
            $release = min($next->seconds, max(array_map(fn (Strike $strike): float => $strike->release, $moment->strikes)));
            if ($moment->at->isLessThan($from) || $moment->dryShare() > 0 || $release - $moment->seconds < self::LASTS || count($filling) === self::A_FEW) {
                return [];
            }
            $filling[] = new Span($moment->at, $next->seconds - $release < self::SAME_TIME ? $next->at : $this->placeOf($release, $moment->at, $next->at));
        }

        return $filling;
    }

    /**
     * @param  list<Span>  $spans
     * @return list<Span>
     */
    private function round(array $spans): array
    {
        foreach (Examiner::examine($this->timeline, $spans, $this->decay, resonance: $this->resonance)->findings as $finding) {
            $index = self::spanOf($spans, $finding->at);
            if ($index === null) {
                continue;
            }
            $best = null;
            $most = self::GAIN;
            foreach ($this->alternatives($spans, $index, $finding) as [$first, $count, $others]) {
                $changed = [...array_slice($spans, 0, $first), ...$others, ...array_slice($spans, $first + $count)];
                $replaced = array_slice($spans, $first, $count);
                $lost = self::SECOND * max(0.0, $this->seconds($replaced) - $this->seconds($others)) + self::JOIN * ($this->joins($replaced) - $this->joins($others));
                $gain = $this->price($spans, $first, $count) - $this->price($changed, $first, count($others)) - $lost;
                if ($gain > $most) {
                    [$best, $most] = [$changed, $gain];
                }
            }
            $spans = $best ?? $spans;
        }

        return $spans;
    }

    /**
     * What could stand in the place of a span, or of it and its neighbour: where they begin, how many, and what instead.
     *
     * @param  list<Span>  $spans
     * @return list<array{int, int, list<Span>}>
     */
    private function alternatives(array $spans, int $index, Finding $finding): array
    {
        $span = $spans[$index];
        $before = $spans[$index - 1] ?? null;
        $follows = $before !== null && $before->up->equals($span->down);
        $merged = $follows ? [[$index - 1, 2, [$before->between($before->down, $span->up)]]] : [];

        return match ($finding->kind) {
            FindingKind::PedalThroughGeneralRest => array_map(fn (array $pieces): array => [$index, 1, $pieces], $this->lifted($span, $finding->at)),
            FindingKind::MuddySpan, FindingKind::HarmonyChangeUnderOnePedal => $span->down->isLessThan($finding->at)
                ? [[$index, 1, [$span->between($span->down, $finding->at), $span->between($finding->at, $span->up)]], [$index, 1, [$span->between($span->down, $finding->at)]]] : [],
            FindingKind::WindowTight, FindingKind::FootTooFast => [...$merged, [$index, 1, []], ...$this->later($spans, $index)],
            FindingKind::BassLost => [...$this->earlier($spans, $index), ...$this->later($spans, $index)],
            FindingKind::StaccatoUnderPedal => $span->down->isLessThan($finding->at) ? [[$index, 1, [$span->between($span->down, $finding->at)]]] : [[$index, 1, []]],
            default => [[$index, 1, []]],
        };
    }

    /**
     * A pedal that comes up for a rest: for good, or until one of the next notes.
     *
     * @return list<list<Span>>
     */
    private function lifted(Span $span, Fraction $rest): array
    {
        $k = $this->timeline->momentAt($rest);
        $next = $this->timeline->moments[$k + 1] ?? null;
        if ($next === null) {
            return [];
        }
        $lift = $this->placeOf($next->seconds - $this->timeline->moments[$k]->silence, $rest, $next->at);
        $pieces = $span->down->isLessThan($lift) ? [$span->between($span->down, $lift->isLessThan($span->up) ? $lift : $span->up)] : [];

        $ways = [$pieces];
        for ($k++; count($ways) <= self::RETURNS && isset($this->timeline->moments[$k]) && $this->timeline->moments[$k]->at->isLessThan($span->up); $k++) {
            if ($this->timeline->moments[$k]->strikes !== []) {
                $ways[] = [...$pieces, $span->between($this->timeline->moments[$k]->at, $span->up)];
            }
        }

        return $ways;
    }

    /**
     * The place at which a time comes, between two places.
     */
    private function placeOf(float $seconds, Fraction $from, Fraction $to): Fraction
    {
        [$low, $high] = [$from->toFloat(), $to->toFloat()];
        for ($step = 0; $step < 30; $step++) {
            $middle = ($low + $high) / 2;
            [$low, $high] = $this->timeline->tempo->seconds($middle) < $seconds ? [$middle, $high] : [$low, $middle];
        }

        $place = Fraction::max($from, Fraction::of((int) round(self::PARTS * $high), self::PARTS));

        return $place->isLessThan($to) ? $place : $to;
    }

    /**
     * A pedal that goes down with what is struck before.
     *
     * @param  list<Span>  $spans
     * @return list<array{int, int, list<Span>}>
     */
    private function earlier(array $spans, int $index): array
    {
        $before = $spans[$index - 1] ?? null;
        for ($k = $this->timeline->momentAt($spans[$index]->down) - 1; $k >= 0; $k--) {
            $at = $this->timeline->moments[$k]->at;
            if ($this->timeline->moments[$k]->strikes === []) {
                continue;
            }
            if ($before === null || ! $at->isLessThan($before->up)) {
                return [[$index, 1, [$spans[$index]->between($at, $spans[$index]->up)]]];
            }

            return $before->down->isLessThan($at) ? [[$index - 1, 2, [$before->between($before->down, $at), $spans[$index]->between($at, $spans[$index]->up)]]] : [];
        }

        return [];
    }

    /**
     * A pedal that goes down with what is struck next.
     *
     * @param  list<Span>  $spans
     * @return list<array{int, int, list<Span>}>
     */
    private function later(array $spans, int $index): array
    {
        $span = $spans[$index];
        for ($k = $this->timeline->momentAt($span->down) + 1; isset($this->timeline->moments[$k]); $k++) {
            $moment = $this->timeline->moments[$k];
            if (! $moment->at->isLessThan($span->up)) {
                break;
            }
            if ($moment->strikes !== []) {
                return [[$index, 1, [$span->between($moment->at, $span->up)]]];
            }
        }

        return [];
    }

    /**
     * What is to be said of some spans that follow each other.
     *
     * @param  list<Span>  $spans
     */
    private function price(array $spans, int $first, int $count): float
    {
        $near = array_slice($spans, max(0, $first - 1), $count + 2);
        if ($near === []) {
            return 0.0;
        }
        $key = implode(' ', array_map(fn (Span $span): string => "$span->down-$span->up-{$span->depth->value}", $near));
        if (isset($this->prices[$key])) {
            return $this->prices[$key];
        }
        $findings = Examiner::examine($this->timeline, $near, $this->decay, $near[0]->down, $near[count($near) - 1]->up, $this->resonance)->findings;

        return $this->prices[$key] = array_sum(array_map(
            fn (Finding $finding): float => self::WEIGHTS[$finding->severity->value] * (in_array($finding->kind, [FindingKind::MuddySpan, FindingKind::HarmonyChangeUnderOnePedal], true) ? self::SMEARED : 1.0), $findings,
        ));
    }

    /**
     * How often these spans join what fingers cannot.
     *
     * @param  list<Span>  $spans
     */
    private function joins(array $spans): int
    {
        $joins = 0;
        foreach ($spans as $span) {
            for ($k = $this->timeline->momentAt($span->down) + 1; isset($this->timeline->moments[$k]) && ! $span->up->isLessThan($this->timeline->moments[$k]->at); $k++) {
                $joins += $this->timeline->moments[$k]->needsJoin ? 1 : 0;
            }
        }

        return $joins;
    }

    /**
     * Seconds under the pedal, without the rests of both hands.
     *
     * @param  list<Span>  $spans
     */
    private function seconds(array $spans): float
    {
        $seconds = 0.0;
        foreach ($spans as $span) {
            $up = $this->timeline->tempo->seconds($span->up);
            for ($k = $this->timeline->momentAt($span->down); isset($this->timeline->moments[$k + 1]) && $this->timeline->moments[$k]->at->isLessThan($span->up); $k++) {
                $moment = $this->timeline->moments[$k];
                $seconds += max(0.0, min($up, $this->timeline->moments[$k + 1]->seconds - $moment->silence) - max($moment->seconds, $this->timeline->tempo->seconds($span->down)));
            }
        }

        return $seconds;
    }

    /**
     * @param  list<Span>  $spans
     */
    private static function spanOf(array $spans, Fraction $at): ?int
    {
        foreach ($spans as $index => $span) {
            if (! $at->isLessThan($span->down) && $at->isLessThan($span->up)) {
                return $index;
            }
        }

        return null;
    }
}
