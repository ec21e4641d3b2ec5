<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Corrections;
use Tarnwind\Core\Score\Score;

/**
 * Says what the teacher reads otherwise, in terms of a score.
 */
interface CorrectsReading
{
    public function corrections(Score $written, Plan $plan): Corrections;
}
