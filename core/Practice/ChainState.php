<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * How far a chain is while days are planned: steps that are left, and when it is to be played again.
 */
final class ChainState
{
    /**
     * Days after which what is learnt is played again, each from the time before: ever longer, as spaced practice has it
     * [common practice; the numbers are starting values of ours].
     */
    public const INTERVALS = [1, 3, 7, 14, 30];

    /** @var list<Step> */
    public array $left;

    /** The day of its last step, or of its last review. */
    private ?int $last = null;

    /** The day of its last step. */
    private ?int $learnt = null;

    /** Reviews that went well since it was learnt, or since one that did not. */
    private int $reviews = 0;

    public bool $isBegun = false;

    /** Steps on the day that is planned. */
    public int $today = 0;

    /**
     * @param  list<Done>  $done  by day
     * @param  array<string, true>  $without  ids of steps that are left out
     */
    public function __construct(public readonly Chain $chain, array $done, array $without)
    {
        $passed = [];
        foreach ($done as $one) {
            if ($one->step === $chain->reviewId()) {
                $this->reviews = $one->passed ? $this->reviews + 1 : 0;
                $this->last = max($this->last ?? $one->day, $one->day);
            } elseif ($one->passed) {
                $passed[$one->step] = $one->day;
            }
            $this->isBegun = $this->isBegun || self::has($chain, $one->step);
        }
        $this->left = array_values(array_filter($chain->steps, fn (Step $step): bool => ! isset($passed[$step->id]) && ! isset($without[$step->id])));
        foreach ($chain->steps as $step) {
            if (isset($passed[$step->id])) {
                $this->learnt = max($this->learnt ?? 0, $passed[$step->id]);
                $this->last = max($this->last ?? 0, $this->learnt);
            }
        }
    }

    public function isFinished(): bool
    {
        return $this->left === [];
    }

    public function isFinishedBefore(int $day): bool
    {
        return $this->isFinished() && ($this->learnt === null || $this->learnt < $day);
    }

    /**
     * The day on which it is to be played again; null while it is being learnt, and for what is not played again.
     *
     * @param  bool  $daily  whether it is played every day now
     */
    public function due(bool $daily = false): ?int
    {
        if ($this->chain->review === null || ! $this->isFinished() || $this->last === null) {
            return null;
        }

        return $this->last + ($daily ? 1 : self::INTERVALS[min($this->reviews, count(self::INTERVALS) - 1)]);
    }

    public function take(int $day): Step
    {
        $step = $this->left[0];
        $this->left = array_slice($this->left, 1);
        $this->last = $this->learnt = $day;
        $this->isBegun = true;
        $this->today++;

        return $step;
    }

    public function review(int $day): void
    {
        $this->reviews++;
        $this->last = $day;
    }

    /**
     * Minutes of what is left.
     */
    public function minutes(): int
    {
        return array_sum(array_map(fn (Step $step): int => $step->minutes, $this->left));
    }

    private static function has(Chain $chain, string $step): bool
    {
        return array_filter($chain->steps, fn (Step $one): bool => $one->id === $step) !== [];
    }
}
