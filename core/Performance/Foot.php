<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Closure;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Search;

/**
 * The damper pedal in time: how far down it is at every moment, in steps.
 */
final readonly class Foot
{
    /** Of a foot that moves gradually, so many steps are told. */
    private const STEPS = 8;

    /** A fluttering foot comes up so far, in shares of its depth, and so often, in seconds [start]. */
    private const FLUTTER_UP = 0.5;

    private const FLUTTER = 0.2;

    /** Changes that are complete so soon after a moment belong to it, in seconds. */
    private const SETTLES = 0.3;

    /** @var list<float> */
    private array $starts;

    /** @var non-empty-list<float> the shares of the way down that occur, up first */
    public array $shares;

    /** @var list<int> by step: place of its share */
    private array $places;

    /** @var list<array<int, float>> by step: seconds spent at each share before it, from the beginning */
    private array $spent;

    /**
     * @param  list<array{float, float}>  $steps  second, and share of the way down from there, by time
     */
    private function __construct(public array $steps)
    {
        $this->starts = array_column($steps, 0);
        $shares = ['0' => 0.0];
        foreach ($steps as [, $share]) {
            $shares[(string) $share] = $share;
        }
        $placeOf = array_flip(array_map(strval(...), array_keys($shares)));
        $this->shares = array_values($shares);
        $this->places = array_map(fn (array $step): int => $placeOf[(string) $step[1]], $steps);
        $sums = array_fill(0, count($shares), 0.0);
        $sums[0] = $this->starts[0] ?? 0.0;
        $spent = [];
        foreach ($this->starts as $index => $start) {
            $spent[] = $sums;
            $sums[$this->places[$index]] += ($this->starts[$index + 1] ?? $start) - $start;
        }
        $this->spent = $spent;
    }

    /**
     * @param  list<Span>  $spans  in order, not overlapping
     * @param  Closure(Fraction): float  $seconds
     * @param  Closure(Fraction): ?float  $window  seconds after an onset by which the pedal must be down again to catch what is struck there
     */
    public static function of(array $spans, Closure $seconds, Closure $window): self
    {
        $steps = [];
        $move = function (float $at, float $share) use (&$steps): void {
            $last = count($steps) - 1;
            $steps[] = [$last < 0 ? $at : max($at, $steps[$last][0]), $share];
        };
        foreach ($spans as $index => $span) {
            $before = $spans[$index - 1] ?? null;
            $next = $spans[$index + 1] ?? null;
            [$down, $up] = [$seconds($span->down), $seconds($span->up)];
            $pressed = self::press($move, $span, $before !== null && $before->up->equals($span->down), $down, $window($span->down) ?? FootTiming::DOWN_AFTER);
            $lowered = $span->lowered === null ? null : $seconds($span->lowered);
            $lifting = $span->lifting === null ? null : $seconds($span->lifting);
            if ($lowered !== null) {
                self::ramp($move, $pressed, $lowered, 0.0, $span->depth->share);
            } else {
                $move($pressed, $span->depth->share);
            }
            if ($span->flutter) {
                self::flutter($move, max($pressed, $lowered ?? $pressed), $lifting ?? $up, $span->depth->share);
            }
            if ($lifting !== null) {
                self::ramp($move, $lifting, $up, $span->depth->share, 0.0);
            }
            if ($next === null || ! $next->down->equals($span->up)) {
                $move($up, 0.0);
            }
        }

        return new self($steps);
    }

    /**
     * A foot that really moved.
     *
     * @param  list<array{float, float}>  $steps  second, and share of the way down from there, by time
     */
    public static function stepping(array $steps): self
    {
        return new self($steps);
    }

    /**
     * How far down it is.
     */
    public function at(float $seconds): float
    {
        $index = $this->stepAt($seconds);

        return $index === null ? 0.0 : $this->steps[$index][1];
    }

    /**
     * When a change that begins at a moment is complete; the moment itself where none does.
     */
    public function settled(float $seconds): float
    {
        $index = $this->stepAt($seconds);
        $isUp = $index === null || $this->steps[$index][1] <= 0.0;
        for ($index = $index === null ? 0 : $index + 1; isset($this->steps[$index]) && $this->steps[$index][0] <= $seconds + self::SETTLES; $index++) {
            [$start, $share] = $this->steps[$index];
            if ($isUp && $share > 0.0) {
                return $start;
            }
            $isUp = $share <= 0.0;
        }

        return $seconds;
    }

    /**
     * Seconds spent at each of the shares from the beginning up to a moment.
     *
     * @return array<int, float> by place of the share
     */
    public function spent(float $until): array
    {
        $index = $this->stepAt($until);
        $spent = $index === null ? array_fill(0, count($this->shares), 0.0) : $this->spent[$index];
        $spent[$index === null ? 0 : $this->places[$index]] += $index === null ? $until : $until - $this->starts[$index];

        return $spent;
    }

    private function stepAt(float $seconds): ?int
    {
        if ($this->starts === [] || $this->starts[0] > $seconds) {
            return null;
        }

        return Search::last(count($this->starts), fn (int $index): bool => $this->starts[$index] <= $seconds);
    }

    /**
     * The foot on its way to a new pedal.
     *
     * @param  Closure(float, float): void  $move
     * @return float second at which it goes down
     */
    private static function press(Closure $move, Span $span, bool $changes, float $at, float $window): float
    {
        if ($span->manner === Manner::On) {
            return $at;
        }
        if ($span->manner === Manner::Before) {
            $at = max(0.0, $at - FootTiming::AHEAD);
        }
        if ($span->manner !== Manner::After) {
            if ($changes) {
                $move($at - FootTiming::CLEARING / 2, 0.0);
            }

            return $changes ? $at + FootTiming::CLEARING / 2 : $at;
        }
        if (! $changes) {
            return $at + min(FootTiming::FRESH_AFTER, $window / 2);
        }
        $move($at + min(FootTiming::UP_AFTER, $window / 4), 0.0);

        return $at + max(min(FootTiming::DOWN_AFTER, $window), min(FootTiming::CLEARING, $window / 2));
    }

    /**
     * @param  Closure(float, float): void  $move
     */
    private static function ramp(Closure $move, float $from, float $to, float $start, float $end): void
    {
        for ($step = 1; $step <= self::STEPS; $step++) {
            $move($from + ($to - $from) * ($step - 1) / self::STEPS, $start + ($end - $start) * $step / self::STEPS);
        }
    }

    /**
     * @param  Closure(float, float): void  $move
     */
    private static function flutter(Closure $move, float $from, float $to, float $depth): void
    {
        for ($at = $from + self::FLUTTER; $at + self::FLUTTER / 2 < $to; $at += self::FLUTTER) {
            $move($at, $depth * (1 - self::FLUTTER_UP));
            $move($at + self::FLUTTER / 2, $depth);
        }
    }
}
