<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;

/**
 * The option that gives a plan; without it the suggestion of the school is taken.
 */
trait ReadsPlan
{
    use ReadsSchool;

    private function plan(Score $score): Plan
    {
        $path = $this->option('plan');
        if (is_string($path)) {
            return Crafts::registry()->plans->read($this->contents($path));
        }

        return $this->suggested($score, $this->school());
    }
}
