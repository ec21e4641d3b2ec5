<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Student\Footwork;

/**
 * Makes of the teacher's choices and marks what the planner goes by.
 */
final class Policies
{
    /** A wash is wanted: nothing is said against what runs into each other. */
    private const WASHED = ['blur' => 0.0, 'smear' => 0.0, 'basses' => 0.0, 'merge' => 0.0, 'breath' => 0.0];

    /** @var array<int, Weights> */
    private array $own = [];

    /** @var array<int, bool> */
    private array $due = [];

    /** @var array<int, Depth> */
    private array $settled = [];

    /** @var array<int, true> */
    private array $begins = [];

    /** @var array<int, true> */
    private array $dry = [];

    private function __construct(private readonly Timeline $timeline)
    {
    }

    /**
     * @param  list<array{Stretch, PedalSettings}>  $passages  that are pedalled in their own way
     * @param  Pedals  $settled  what is settled: spans, dry stretches and washes
     * @param  bool  $halfPedal  whether the pedal knows more than on and off
     */
    public static function of(Timeline $timeline, PedalSettings $settings, array $passages = [], Pedals $settled = new Pedals, bool $halfPedal = true, Footwork $foot = new Footwork): Policy
    {
        $policies = new self($timeline);
        $policies->rule($settings->rate, 0, count($timeline->moments) - 1);
        foreach ($passages as [$stretch, $own]) {
            [$from, $to] = $policies->moments($stretch->from, $stretch->to);
            $policies->rule($own->rate, $from, $to);
            for ($k = $from; $k < $to; $k++) {
                $policies->own[$k] = $own->weights();
            }
        }
        foreach ($settled->damper as $span) {
            $policies->settle($span);
        }
        foreach ($settled->dry as $stretch) {
            [$from, $to] = $policies->moments($stretch->from, $stretch->to);
            $policies->dry += array_fill_keys(range($from, max($from, $to - 1)), true);
        }
        foreach ($settled->washes as $stretch) {
            [$from, $to] = $policies->moments($stretch->from, $stretch->to);
            for ($k = $from; $k < $to; $k++) {
                $policies->own[$k] = new Weights(...[...($policies->own[$k] ?? $settings->weights())->byName(), ...self::WASHED]);
            }
        }
        $depths = $halfPedal ? [Depth::full(), Depth::half()] : [Depth::full()];

        return new Policy($settings->weights(), $settings->depth === null || ! $halfPedal ? $depths : [$settings->depth], $policies->own, $policies->due, $policies->settled, $policies->begins, $policies->dry, $foot);
    }

    private function settle(Span $span): void
    {
        [$from, $to] = $this->moments($span->down, $span->up);
        for ($k = $from; $k < $to; $k++) {
            $this->settled[$k] = $span->depth;
        }
        $this->begins[$from] = true;
    }

    private function rule(Rate $rate, int $from, int $to): void
    {
        $moments = $this->timeline->moments;
        for ($k = $from; $k < $to; $k++) {
            unset($this->due[$k]);
            $due = $rate->isDue($this->timeline, $k, $moments[$k - 1] ?? null, $moments[$k]->measure - $moments[$from]->measure);
            if ($due !== null) {
                $this->due[$k] = $due;
            }
        }
    }

    /**
     * The first moment in a stretch, and the first after it.
     *
     * @return array{int, int}
     */
    private function moments(Fraction $from, Fraction $to): array
    {
        $first = $this->timeline->momentAt($from);
        $last = $this->timeline->momentAt($to);

        return [$this->timeline->moments[$first]->at->isLessThan($from) ? $first + 1 : $first, $this->timeline->moments[$last]->at->isLessThan($to) ? $last + 1 : $last];
    }
}
