<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * A chunk that does not get on.
 */
final readonly class Standstill
{
    /** Days with practice, and days from the first to the last of them, without getting quicker [start]. */
    private const DAYS = 3;

    private const SPAN = 7;

    /** Quarters a minute that count as quicker [start]. */
    private const QUICKER = 2.0;

    /**
     * @param  float  $tempo  quarters a minute it stands at
     * @param  int  $since  the day that was reached
     * @param  int  $days  with practice since
     */
    private function __construct(
        public Chain $chain,
        public float $tempo,
        public int $since,
        public int $days,
    ) {
    }

    /**
     * @return list<self> of chains that are not finished, as they are in the piece
     */
    public static function of(Project $project): array
    {
        $found = [];
        foreach ($project->chains as $chain) {
            $ids = array_flip(array_map(fn (Step $step): string => $step->id, $chain->steps));
            $done = array_values(array_filter($project->done, fn (Done $one): bool => isset($ids[$one->step]) && $one->tempo !== null));
            if ((new ChainState($chain, $project->done, []))->isFinished()) {
                continue;
            }
            $one = self::in($chain, $done);
            $found = [...$found, ...($one === null ? [] : [$one])];
        }

        return $found;
    }

    /**
     * @param  list<Done>  $done  of the chain, with tempos, by day
     */
    private static function in(Chain $chain, array $done): ?self
    {
        $best = 0.0;
        $since = 0;
        $days = [];
        foreach ($done as $one) {
            if ($one->tempo >= $best + self::QUICKER) {
                [$best, $since, $days] = [(float) $one->tempo, $one->day, []];
            }
            $days[$one->day] = true;
        }
        $last = array_key_last($days) ?? 0;

        return count($days) >= self::DAYS && $last - $since >= self::SPAN ? new self($chain, $best, $since, count($days)) : null;
    }
}
