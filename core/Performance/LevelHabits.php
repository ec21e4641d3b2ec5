<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Closure;
use Tarnwind\Core\Plan\Plan;

/**
 * The habits of a school, where a plan follows it.
 */
final readonly class LevelHabits implements ShapesLevels
{
    /** @var list<LevelHabit> */
    private array $habits;

    /**
     * @param  Closure(Plan): bool  $applies
     * @param  LevelHabit  ...$habits  in the order in which a ledger tells them
     */
    public function __construct(private Closure $applies, LevelHabit ...$habits)
    {
        $this->habits = array_values($habits);
    }

    public function levels(Performance $performance): LevelRule
    {
        $entries = [];
        foreach (($this->applies)($performance->plan) ? $this->habits : [] as $habit) {
            foreach ($habit->entries($performance) as $note => $added) {
                $entries[$note] = [...$entries[$note] ?? [], ...$added];
            }
        }

        return new EntriesByNote($entries);
    }
}
