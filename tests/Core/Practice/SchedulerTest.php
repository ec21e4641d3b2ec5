<?php

declare(strict_types=1);

use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Practice\Chain;
use Tarnwind\Core\Practice\ChainState;
use Tarnwind\Core\Practice\Done;
use Tarnwind\Core\Practice\Item;
use Tarnwind\Core\Practice\PracticeDay;
use Tarnwind\Core\Practice\Project;
use Tarnwind\Core\Practice\Schedule;
use Tarnwind\Core\Practice\Scheduler;
use Tarnwind\Core\Practice\Standstill;
use Tarnwind\Core\Practice\Step;
use Tarnwind\Core\Practice\StepKind;
use Tarnwind\Core\Practice\Week;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;

/**
 * A chain of steps, each as "kind:minutes".
 *
 * @param  list<string>  $needs
 */
function chain(string $key, string $steps, float $hardness = 1.0, array $needs = [], int $review = 1): Chain
{
    $made = [];
    foreach (explode(' ', $steps) as $place => $step) {
        [$kind, $minutes] = explode(':', $step);
        $made[] = new Step("$key:$place", StepKind::from($kind), new Bars(0, 1), Fraction::zero(), Fraction::of(8), 60.0, 1.0, (int) $minutes, '', '');
    }

    return new Chain($key, new Bars(0, 1), $made, $needs, $hardness, $review);
}

/**
 * What is done on each day: "a:0 a:1", reviews as "a:review".
 *
 * @return list<string>
 */
function byDay(Schedule $schedule, int $days): array
{
    return array_map(fn (PracticeDay $day): string => implode(' ', array_map(fn (Item $item): string => $item->id(), $day->items)), array_slice($schedule->days, 0, $days));
}

/**
 * Minutes of all that is new.
 */
function newMinutes(Schedule $schedule): int
{
    return array_sum(array_map(fn (PracticeDay $day): int => array_sum(array_map(fn (Item $item): int => $item->step === null ? 0 : $item->minutes, $day->items)), $schedule->days));
}

// 2027-03-01 is a Monday.
const MONDAY = 20_878;

it('knows the days of the calendar', function (): void {
    expect(Day::of('2027-03-01'))->toBe(MONDAY)->and(Day::date(MONDAY + 30))->toBe('2027-03-31')
        ->and(array_map(Day::weekday(...), [MONDAY, MONDAY + 6, 0, -4]))->toBe([0, 6, 3, 6]);
});

// The worked example of docs/practice.md, reckoned by hand there.
it('shares out the worked example as it is reckoned by hand', function (): void {
    $chains = [chain('easy', 'together:3 together:3 link:2', 0.5), chain('hard', 'together:4 left-hand:2 together:4 link:2', 1.2), chain('line', 'line:4', 0.0, ['easy', 'hard'])];
    $schedule = Scheduler::plan([new Project('p', $chains, Day::of('2027-03-12'))], new Week([12, 12, 0, 12, 12, 0, 0]), MONDAY);
    expect(byDay($schedule, 11))->toBe([
        'hard:0 hard:1 easy:0 easy:1',
        'hard:2 hard:3 easy:2',
        '',
        'hard:review easy:review line:0',
        // In the last week the line is played on every day that has minutes.
        'line:review',
        '', '',
        'line:review',
        'line:review',
        '',
        'line:review',
    ])->and($schedule->outlook['p']->finished)->toBe(Day::of('2027-03-04'))->and($schedule->outlook['p']->leftOut)->toBe([]);
});

it('leaves out what a student can do without where time is short, of the easiest first, and says what is not reached', function (): void {
    $chains = [chain('easy', 'together:4 tapped:4 link:2', 0.5), chain('hard', 'together:4 left-hand:4 link:2', 1.2)];
    $plan = fn (int $days): Schedule => Scheduler::plan([new Project('p', $chains, MONDAY + $days)], new Week([8, 8, 8, 8, 8, 8, 8]), MONDAY);
    $leftOut = fn (Schedule $schedule): array => array_map(fn (Step $step): string => $step->id, $schedule->outlook['p']->leftOut);
    expect($leftOut($plan(4)))->toBe([])
        ->and($leftOut($plan(2)))->toBe(['easy:1'])
        ->and(byDay($plan(2), 2))->toBe(['hard:0 hard:1', 'hard:2 easy:0 easy:2'])
        // A day is not enough: both are begun, neither is finished, and so much is wanting.
        ->and(byDay($plan(1), 1))->toBe(['hard:0 easy:0'])->and($plan(1)->outlook['p']->missing)->toBe(4)->and($plan(1)->outlook['p']->unreached)->toBe([])
        ->and(array_map(fn (Chain $chain): string => $chain->key, $plan(1)->outlook['p']->unfinished))->toEqualCanonicalizing(['easy', 'hard']);
    $tight = Scheduler::plan([new Project('p', $chains, MONDAY + 1)], new Week([4, 4, 4, 4, 4, 4, 4]), MONDAY);
    expect(array_map(fn (Chain $chain): string => $chain->key, $tight->outlook['p']->unreached))->toBe(['easy']);
});

it('plans nothing where there is no time at all', function (): void {
    $schedule = Scheduler::plan([new Project('p', [chain('a', 'together:4')])], new Week([0, 0, 0, 0, 0, 0, 0]), MONDAY);
    expect(array_filter(byDay($schedule, 56)))->toBe([])->and($schedule->outlook['p']->missing)->toBe(4);
});

it('plans a step again until its gate is passed, and takes what was done today from today', function (): void {
    $chains = [chain('a', 'together:4 link:2')];
    $week = new Week([6, 6, 6, 6, 6, 6, 6]);
    $plan = fn (Done ...$done): array => byDay(Scheduler::plan([new Project('p', $chains, null, array_values($done))], $week, MONDAY), 2);
    expect($plan())->toBe(['a:0 a:1', 'a:review'])
        ->and($plan(new Done('a:0', MONDAY - 1, 4, false)))->toBe(['a:0 a:1', 'a:review'])
        ->and($plan(new Done('a:0', MONDAY, 4, false)))->toBe(['', 'a:0 a:1'])
        ->and($plan(new Done('a:0', MONDAY - 1, 4, true)))->toBe(['a:1', 'a:review'])
        // What did not hold is played again the next day.
        ->and($plan(new Done('a:0', MONDAY - 8, 4, true), new Done('a:1', MONDAY - 8, 2, true), new Done('a:review', MONDAY - 7, 1, true), new Done('a:review', MONDAY - 4, 1, true)))->toBe(['', ''])
        ->and($plan(new Done('a:0', MONDAY - 8, 4, true), new Done('a:1', MONDAY - 8, 2, true), new Done('a:review', MONDAY - 7, 1, true), new Done('a:review', MONDAY - 1, 1, false)))->toBe(['a:review', '']);
});

/**
 * @return array{list<Project>, Week}
 */
function randomProjects(int $seed): array
{
    mt_srand($seed);
    $kinds = ['together', 'together', 'together', 'tapped', 'left-hand', 'blocks', 'link'];
    $projects = [];
    for ($number = 0; $number < mt_rand(1, 3); $number++) {
        $chains = [];
        for ($place = 0; $place < mt_rand(1, 8); $place++) {
            $steps = array_map(fn (): string => $kinds[mt_rand(0, 6)].':'.mt_rand(1, 8), range(1, mt_rand(1, 6)));
            $chains[] = chain("$number-$place", 'together:'.mt_rand(1, 8).' '.implode(' ', $steps), mt_rand(0, 30) / 10, review: mt_rand(1, 3));
        }
        $chains[] = chain("$number-all", 'whole:4 whole:3', 0.0, array_map(fn (Chain $chain): string => $chain->key, $chains));
        $projects[] = new Project("p$number", $chains, mt_rand(0, 2) === 0 ? null : MONDAY + mt_rand(2, 70));
    }

    return [$projects, new Week(array_map(fn (): int => mt_rand(0, 3) === 0 ? 0 : mt_rand(4, 40), range(1, 7)))];
}

it('keeps to the minutes, does each step once and in order, and reaches every bar or says so', function (int $seed): void {
    [$projects, $week] = randomProjects($seed);
    $schedule = Scheduler::plan($projects, $week, MONDAY);
    $doneOn = [];
    foreach ($schedule->days as $place => $day) {
        expect($day->day)->toBe(MONDAY + $place)->and($day->planned())->toBeLessThanOrEqual($week->minutesOn($day->day));
        foreach ($day->items as $item) {
            if ($item->step !== null) {
                expect($doneOn)->not->toHaveKey($item->id());
                $doneOn[$item->id()] = $day->day;
            }
        }
    }
    foreach ($projects as $project) {
        $outlook = $schedule->outlook[$project->key];
        $leftOut = array_map(fn (Step $step): string => $step->id, $outlook->leftOut);
        expect(array_filter($outlook->leftOut, fn (Step $step): bool => ! $step->isOptional()))->toBe([]);
        $named = array_map(fn (Chain $chain): string => $chain->key, [...$outlook->unreached, ...$outlook->unfinished]);
        $last = [];
        foreach ($project->chains as $chain) {
            $before = 0;
            foreach ($chain->steps as $step) {
                if (in_array($step->id, $leftOut, true)) {
                    continue;
                }
                isset($doneOn[$step->id]) || expect($named)->toContain($chain->key);
                expect($doneOn[$step->id] ?? PHP_INT_MAX)->toBeGreaterThanOrEqual($before);
                $before = $doneOn[$step->id] ?? PHP_INT_MAX;
            }
            $last[$chain->key] = $before;
            foreach ($chain->needs as $need) {
                expect($doneOn[$chain->steps[0]->id] ?? PHP_INT_MAX)->toBeGreaterThanOrEqual($last[$need] + ($last[$need] === PHP_INT_MAX ? 0 : 1));
            }
            $isUnreached = ! isset($doneOn[$chain->steps[0]->id]) && $chain->needs === [];
            expect(in_array($chain, $outlook->unreached, true))->toBe($isUnreached);
        }
        if ($project->goal !== null) {
            expect(array_filter($doneOn, fn (int $day, string $id): bool => str_starts_with($id, substr($project->key, 1).'-') && $day >= $project->goal, ARRAY_FILTER_USE_BOTH))->toBe([]);
        }
    }
})->with(range(1, 40));

it('shares out all that was left after a missed day, and less by what was done', function (int $seed): void {
    [$projects, $week] = randomProjects($seed);
    // Without a day to be ready for nothing is left out.
    $projects = array_map(fn (Project $project): Project => new Project($project->key, array_slice($project->chains, 0, 3)), $projects);
    $week = new Week(array_map(fn (int $minutes): int => $minutes === 0 ? 0 : max(20, $minutes), [30, ...array_slice($week->minutes, 1)]));
    $first = Scheduler::plan($projects, $week, MONDAY);
    $total = newMinutes($first);
    expect(newMinutes(Scheduler::plan($projects, $week, MONDAY + 1)))->toBe($total);
    $items = array_values(array_filter($first->days[0]->items, fn (Item $item): bool => $item->step !== null));
    $worked = array_map(fn (Project $project): Project => new Project($project->key, $project->chains, null, array_map(
        fn (Item $item): Done => new Done($item->id(), MONDAY, $item->minutes, true), array_values(array_filter($items, fn (Item $item): bool => $item->project === $project->key)),
    )), $projects);
    $after = Scheduler::plan($worked, $week, MONDAY + 1);
    expect(newMinutes($after))->toBe($total - array_sum(array_map(fn (Item $item): int => $item->minutes, $items)))
        // What is done as planned leaves the rest of the plan as it was.
        ->and(byDay($after, 20))->toBe(array_slice(byDay($first, 21), 1));
})->with(range(1, 20));

it('plays again what was learnt after ever longer times', function (): void {
    $schedule = Scheduler::plan([new Project('p', [chain('a', 'together:4')])], new Week([10, 10, 10, 10, 10, 10, 10]), MONDAY);
    $days = array_keys(array_filter(byDay($schedule, 56), fn (string $items): bool => $items === 'a:review'));
    expect($days)->toBe([1, 4, 11, 25, 55])->and(ChainState::INTERVALS)->toBe([1, 3, 7, 14, 30]);
});

it('sees what stands still', function (): void {
    $chains = [chain('a', 'together:4 together:4'), chain('b', 'together:4')];
    $of = fn (array $tempos): array => array_map(fn (Standstill $one): array => [$one->chain->key, $one->tempo, $one->days], Standstill::of(new Project('p', $chains, null, array_map(
        fn (int $day, float $tempo): Done => new Done('a:0', MONDAY + $day, 4, false, $tempo), array_keys($tempos), array_values($tempos),
    ))));
    expect($of([0 => 60.0, 3 => 61.0, 8 => 60.0]))->toBe([['a', 60.0, 3]])
        ->and($of([0 => 60.0, 3 => 61.0, 6 => 60.0]))->toBe([])
        ->and($of([0 => 60.0, 3 => 66.0, 8 => 66.0]))->toBe([]);
});
