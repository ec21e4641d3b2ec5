<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Measure;

/**
 * Says when the damper pedal is down.
 */
interface MovesTheFoot
{
    /**
     * @param  list<Measure>  $measures  of the score
     * @return list<Span> in order, not overlapping
     */
    public function spans(Plan $plan, array $measures): array;
}
