<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Closure;
use Tarnwind\Core\Plan\InvalidPlan;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;

/**
 * Refuses a plan that is right by itself and cannot be played from its score.
 */
interface ChecksPlan
{
    /**
     * @param  Closure(): Score  $written  asked for only where it matters
     *
     * @throws InvalidPlan in a teacher's words
     */
    public function check(Plan $plan, Closure $written): void;
}
