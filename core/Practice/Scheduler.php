<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * Shares practice out over days: never more than the student's minutes, what is to be played again first, then what comes
 * next of the piece that is most pressed for time. What was done is not planned again, so that after a missed day all that
 * was left is shared out anew.
 */
final class Scheduler
{
    /** Days a piece without a day of its own is given, and that are looked at [start]. */
    public const DAYS = 56;

    /** Share of a day that reviews take at most while there is something new [start]. */
    private const REVIEWS = 0.5;

    /**
     * @param  list<Project>  $projects
     */
    private function __construct(private readonly array $projects, private readonly Week $week, private readonly int $today)
    {
    }

    /**
     * @param  list<Project>  $projects
     * @param  int  $today  the first day that is planned; what is done on it is taken from its minutes
     */
    public static function plan(array $projects, Week $week, int $today): Schedule
    {
        $scheduler = new self($projects, $week, $today);
        $without = $broad = [];
        [$days, $states] = $scheduler->run($without, $broad);
        foreach ($projects as $project) {
            if ($states[$project->key]->minutes() > 0) {
                $without[$project->key] = $scheduler->leftOut($project, $without, $broad);
                [$days, $states] = $scheduler->run($without, $broad);
            }
            if ($states[$project->key]->minutes() > 0) {
                $broad[$project->key] = true;
                [$days, $states] = $scheduler->run($without, $broad);
            }
        }

        return new Schedule($days, array_map(fn (ProjectState $state): Outlook => self::outlook($state, $without[$state->project->key] ?? []), $states));
    }

    /**
     * What a student does without where time is short: of the easiest chunks first, and no more than must be; all of it where
     * that is not enough.
     *
     * @param  array<string, array<string, true>>  $without  by project
     * @param  array<string, true>  $broad  by project
     * @return array<string, true> ids of steps
     */
    private function leftOut(Project $project, array $without, array $broad): array
    {
        $optional = array_map(fn (Step $step): string => $step->id, self::optional($project));
        $first = fn (int $count): array => array_fill_keys(array_slice($optional, 0, $count), true);
        [$tooFew, $enough] = [0, count($optional)];
        while ($enough - $tooFew > 1) {
            $count = intdiv($tooFew + $enough, 2);
            [, $states] = $this->run([$project->key => $first($count)] + $without, $broad);
            [$tooFew, $enough] = $states[$project->key]->minutes() > 0 ? [$count, $enough] : [$tooFew, $count];
        }

        return $first($enough);
    }

    /**
     * @param  array<string, array<string, true>>  $without  by project
     * @param  array<string, true>  $broad  by project
     * @return array{list<PracticeDay>, array<string, ProjectState>}
     */
    private function run(array $without, array $broad): array
    {
        $states = [];
        foreach ($this->projects as $project) {
            $states[$project->key] = new ProjectState($project, $without[$project->key] ?? [], isset($broad[$project->key]), $this->week->longest());
        }
        $last = max([$this->today + self::DAYS - 1, ...array_map($this->until(...), $this->projects)]);
        $days = [];
        for ($day = $this->today; $day <= $last; $day++) {
            $days[] = $this->day($day, $states);
        }

        return [$days, $states];
    }

    /**
     * @param  array<string, ProjectState>  $states
     */
    private function day(int $day, array $states): PracticeDay
    {
        $minutes = max(0, $this->week->minutesOn($day) - ($day === $this->today ? $this->spent($day) : 0));
        $left = $minutes;
        $states = array_filter($states, fn (ProjectState $state): bool => $day <= $this->until($state->project));
        foreach ($states as $state) {
            $state->begins();
        }
        $items = $this->reviews($day, $states, $left, (int) floor(self::REVIEWS * $minutes));
        while (($state = $this->mostPressed($day, $states, $left)) !== null) {
            $chain = $state->next($day, $left);
            if ($chain === null) {
                break;
            }
            $step = $chain->take($day);
            $items[] = new Item($state->project->key, $chain->chain, $step, $state->takes($step));
            $left -= $state->takes($step);
            $state->finished = $day;
        }
        // Where nothing new is left, or fits, there is time for more of what was learnt.
        $items = [...$items, ...$this->reviews($day, $states, $left, $left)];

        return new PracticeDay($day, $minutes, $items);
    }

    /**
     * @param  array<string, ProjectState>  $states
     * @param  int  $left  minutes of the day, less what is taken
     * @return list<Item>
     */
    private function reviews(int $day, array $states, int &$left, int $most): array
    {
        $items = [];
        foreach ($states as $state) {
            foreach ($state->due($day) as $chain) {
                $minutes = min($chain->chain->review ?? 0, $this->week->longest());
                if ($minutes <= min($left, $most)) {
                    $chain->review($day);
                    $items[] = new Item($state->project->key, $chain->chain, null, $minutes);
                    $left -= $minutes;
                    $most -= $minutes;
                }
            }
        }

        return $items;
    }

    /**
     * The piece with the most to do for the time it has.
     *
     * @param  array<string, ProjectState>  $states
     */
    private function mostPressed(int $day, array $states, int $left): ?ProjectState
    {
        $most = null;
        $pressure = -1.0;
        foreach ($states as $state) {
            $own = $state->minutes() / max(1, $this->week->between($day, $this->until($state->project)));
            if ($own > $pressure && $state->next($day, $left) !== null) {
                [$most, $pressure] = [$state, $own];
            }
        }

        return $most;
    }

    /**
     * The last day on which a piece is practised: the one before its own.
     */
    private function until(Project $project): int
    {
        return $project->goal === null ? $this->today + self::DAYS - 1 : max($this->today, $project->goal - 1);
    }

    /**
     * Minutes that are practised already on a day.
     */
    private function spent(int $day): int
    {
        $spent = 0;
        foreach ($this->projects as $project) {
            foreach ($project->done as $done) {
                $spent += $done->day === $day ? $done->minutes : 0;
            }
        }

        return $spent;
    }

    /**
     * What a student can do without, of the easiest chunks first.
     *
     * @return list<Step>
     */
    private static function optional(Project $project): array
    {
        $chains = $project->chains;
        usort($chains, fn (Chain $a, Chain $b): int => $a->hardness <=> $b->hardness);
        $passed = array_flip(array_map(fn (Done $done): string => $done->step, array_filter($project->done, fn (Done $done): bool => $done->passed)));
        $steps = array_merge(...array_map(fn (Chain $chain): array => $chain->steps, $chains));

        return array_values(array_filter($steps, fn (Step $step): bool => $step->isOptional() && ! isset($passed[$step->id])));
    }

    /**
     * @param  array<string, true>  $without
     */
    private static function outlook(ProjectState $state, array $without): Outlook
    {
        $open = array_filter($state->chains, fn (ChainState $chain): bool => ! $chain->isFinished());
        $chains = fn (bool $begun): array => array_values(array_map(fn (ChainState $chain): Chain => $chain->chain, array_filter($open, fn (ChainState $chain): bool => $begun === ($chain->isBegun || $chain->chain->needs !== []))));
        $leftOut = array_values(array_filter(array_merge(...array_map(fn (Chain $chain): array => $chain->steps, $state->project->chains)), fn (Step $step): bool => isset($without[$step->id])));

        return new Outlook($state->minutes() === 0 ? $state->finished : null, $chains(false), $chains(true), $leftOut, $state->minutes());
    }
}
