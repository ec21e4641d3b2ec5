<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * Tempos from a safe one to the goal.
 */
final class Ladder
{
    /** Share of the tempo that is known to be possible, at which nothing goes wrong: of easy passages, and less of hard ones [start]. */
    private const SAFE = 0.8;

    private const HARD = 0.2;

    /** Of one step to the next [start]. */
    private const STEP = 1.15;

    private const FEWEST = 2;

    private const MOST = 6;

    /**
     * @param  float  $goal  quarters a minute
     * @param  ?float  $ceiling  quarters a minute up to which measured rates carry the passage; null where nothing is known
     * @param  float  $hardness  0 for easy, 1 and more for hard
     * @return non-empty-list<float> quarters a minute, the goal last
     */
    public static function to(float $goal, ?float $ceiling = null, float $hardness = 1.0): array
    {
        $safe = (self::SAFE - self::HARD * min(1.0, $hardness)) * min($goal, $ceiling ?? $goal);
        $rungs = max(self::FEWEST, min(self::MOST, 1 + (int) ceil(log($goal / $safe) / log(self::STEP) - 1e-9)));
        $tempos = [];
        for ($rung = 0; $rung < $rungs - 1; $rung++) {
            $tempos[] = round($safe * ($goal / $safe) ** ($rung / ($rungs - 1)));
        }

        return [...$tempos, round($goal)];
    }
}
