<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;

/**
 * The plan that is given; without one the suggestion of the school is taken.
 */
trait ReadsPlan
{
    use ReadsGivenPlan;
    use ReadsSchool;

    private function plan(Score $score): Plan
    {
        return $this->givenPlan() ?? $this->suggested($score, $this->school());
    }
}
