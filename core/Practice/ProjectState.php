<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * How far a piece is while days are planned.
 */
final class ProjectState
{
    /** Steps of one chain on one day [start]. */
    private const A_DAY = 2;

    /** Days before its own on which what is longer than a chunk is played every day [trade]. */
    private const LAST_DAYS = 7;

    /** @var array<string, ChainState> by key, those that come first before others */
    public array $chains = [];

    /** The day of the last step. */
    public ?int $finished = null;

    /**
     * @param  array<string, true>  $without  ids of steps that are left out
     * @param  bool  $broad  whether every chunk is begun before one is finished
     * @param  int  $longest  minutes of the longest day: no step is longer
     */
    public function __construct(public readonly Project $project, array $without, private readonly bool $broad, private readonly int $longest)
    {
        $chains = $project->chains;
        usort($chains, fn (Chain $a, Chain $b): int => $b->hardness <=> $a->hardness);
        foreach ($chains as $chain) {
            $this->chains[$chain->key] = new ChainState($chain, $project->done, $without);
        }
    }

    /**
     * Minutes of what is left.
     */
    public function minutes(): int
    {
        return array_sum(array_map(fn (ChainState $state): int => array_sum(array_map($this->takes(...), $state->left)), $this->chains));
    }

    /**
     * Minutes a step takes: as many as the longest day has, at most.
     */
    public function takes(Step $step): int
    {
        return $this->longest > 0 ? min($step->minutes, $this->longest) : $step->minutes;
    }

    /**
     * The chain whose next step comes next and is no longer than there is time; null for none.
     */
    public function next(int $day, int $minutes): ?ChainState
    {
        $open = array_filter($this->chains, fn (ChainState $state): bool => ! $state->isFinished() && $state->today < self::A_DAY && $this->isFree($state, $day) && $this->takes($state->left[0]) <= $minutes);
        if ($this->broad) {
            uasort($open, fn (ChainState $a, ChainState $b): int => count($a->chain->steps) - count($a->left) <=> count($b->chain->steps) - count($b->left));
        }

        return array_values($open)[0] ?? null;
    }

    /**
     * Chains that are to be played again by a day, those that wait longest first. What is played within something longer is
     * not played again by itself.
     *
     * @return list<ChainState>
     */
    public function due(int $day): array
    {
        $within = [];
        foreach ($this->chains as $state) {
            if ($state->isFinished()) {
                $within += array_fill_keys($state->chain->needs, true);
            }
        }
        $daily = $this->project->goal !== null && $this->project->goal - $day <= self::LAST_DAYS;
        $due = [];
        foreach ($this->chains as $state) {
            $on = isset($within[$state->chain->key]) ? null : $state->due($daily && $state->chain->needs !== []);
            if ($on !== null && $on <= $day) {
                $due[] = [$on, $state];
            }
        }
        usort($due, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($due, 1);
    }

    public function begins(): void
    {
        foreach ($this->chains as $state) {
            $state->today = 0;
        }
    }

    /**
     * Whether all it rests on was finished on an earlier day.
     */
    private function isFree(ChainState $state, int $day): bool
    {
        foreach ($state->chain->needs as $key) {
            if (isset($this->chains[$key]) && ! $this->chains[$key]->isFinishedBefore($day)) {
                return false;
            }
        }

        return true;
    }
}
