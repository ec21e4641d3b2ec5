<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Models\Feel;
use App\Models\StudentCopy;
use Illuminate\Support\Carbon;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Practice\Chain;
use Tarnwind\Core\Practice\Done;
use Tarnwind\Core\Practice\Item;
use Tarnwind\Core\Practice\PracticePlan;
use Tarnwind\Core\Practice\Project;
use Tarnwind\Core\Practice\Scheduler;

/**
 * Practice of the demonstration: each day what was planned for it, as a student does it: now and then a day is missed, a gate
 * is not passed, and one chunk stands still.
 */
final readonly class DemoPractice
{
    /** Of a hundred. */
    private const MISSED_DAYS = 18;

    private const PASSED = 82;

    /** Quarters a minute below what was meant, where a gate was not passed. */
    private const SLOWER = 6.0;

    private const NOTES = [Feel::Hard->value => ['tired today', 'the leap again'], Feel::Fair->value => [], Feel::Easy->value => ['it sings now', 'without looking']];

    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /**
     * @param  int  $weeks  back from today
     * @param  ?int  $stuck  the place, from 0, of the chunk that stands still, of the hardest first
     */
    public function seed(StudentCopy $copy, Carbon $today, int $weeks, ?int $stuck = null): void
    {
        $chains = PracticePlan::of($copy->performance())->chains;
        $hardest = array_values(array_filter($chains, fn (Chain $chain): bool => $chain->needs === [] && $chain->key !== 'listen'));
        usort($hardest, fn (Chain $a, Chain $b): int => $b->hardness <=> $a->hardness);
        $stuckAt = $stuck === null ? null : ($hardest[$stuck] ?? null)?->key;
        $now = Day::of($today->toDateString());
        $done = $rows = [];
        for ($day = $now - 7 * $weeks; $day < $now; $day++) {
            if ($this->random->getInt(1, 100) <= self::MISSED_DAYS) {
                continue;
            }
            $schedule = Scheduler::plan([new Project('it', $chains, $copy->goal_on === null ? null : Day::of($copy->goal_on->toDateString()), $done)], $copy->student->week(), $day);
            foreach ($schedule->days[0]->items as $item) {
                $passed = $this->random->getInt(1, 100) <= self::PASSED && ! ($item->chain->key === $stuckAt && $item->step !== null && $item->step->rate > 0.6);
                $rows[] = $this->row($copy, $item, $day, $passed);
                $done[] = new Done($item->id(), $day, $item->minutes, $passed);
            }
        }
        foreach ($rows as $row) {
            $copy->practiceEntries()->create($row);
        }
    }

    /**
     * @return array<string, mixed>
     */
    private function row(StudentCopy $copy, Item $item, int $day, bool $passed): array
    {
        $feel = $passed ? ($this->random->getInt(0, 2) === 0 ? Feel::Easy : Feel::Fair) : Feel::Hard;
        $notes = self::NOTES[$feel->value];
        $tempo = $item->step?->tempo;

        return [
            'uuid' => DemoTakes::uuid("$copy->id {$item->id()} $day"),
            'step' => $item->id(), 'day' => Day::date($day), 'minutes' => $item->minutes, 'tempo' => $tempo === null ? null : round($tempo - ($passed ? 0.0 : self::SLOWER)),
            'feel' => $feel, 'passed' => $passed, 'by' => 'student', 'note' => $notes !== [] && $this->random->getInt(0, 5) === 0 ? $notes[$this->random->getInt(0, count($notes) - 1)] : null,
        ];
    }
}
