<?php

declare(strict_types=1);

namespace Tarnwind\Core\Findings;

use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;

/**
 * What a craft does not say again, since the teacher means it so.
 */
final readonly class Intended
{
    /**
     * @param  array<string, true>  $quiet  by kind and id of the bar
     */
    public function __construct(private array $quiet = [])
    {
    }

    /**
     * @param  string  $craft  its name
     */
    public static function of(Plan $plan, string $craft): self
    {
        $quiet = [];
        foreach ($plan->marksOf(IntendedMark::class) as $mark) {
            foreach ($mark->of === $craft ? $mark->measures : [] as $measure) {
                $quiet["$mark->finding $measure"] = true;
            }
        }

        return new self($quiet);
    }

    /**
     * @param  list<Finding>  $findings
     * @return list<Finding> what is still worth saying
     */
    public function without(array $findings, Score $score): array
    {
        return $this->quiet === [] ? $findings : array_values(array_filter(
            $findings, fn (Finding $finding): bool => ! isset($this->quiet["{$finding->kind->value} {$score->measures[$finding->measure]->id}"]),
        ));
    }
}
