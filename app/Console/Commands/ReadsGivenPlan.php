<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Tarnwind\Core\Crafts;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;

/**
 * The option that gives a plan.
 */
trait ReadsGivenPlan
{
    private function givenPlan(): ?Plan
    {
        $path = $this->option('plan');

        return is_string($path) ? Crafts::registry()->plans->read($this->contents($path)) : null;
    }

    /**
     * The plan that is given, or one with what is printed and nothing else.
     */
    private function planOrFresh(Score $score): Plan
    {
        return $this->givenPlan() ?? Crafts::registry()->freshPlan($score);
    }
}
