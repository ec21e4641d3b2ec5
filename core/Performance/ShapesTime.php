<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Changes when things happen.
 */
interface ShapesTime
{
    /**
     * @param  Score  $score  as it is played
     */
    public function time(TempoMap $tempo, Score $score, Plan $plan): TempoMap;
}
