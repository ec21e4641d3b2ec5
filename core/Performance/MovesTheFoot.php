<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Measure;

/**
 * Says when the pedals are down.
 */
interface MovesTheFoot
{
    /**
     * @param  list<Measure>  $measures  of the score
     */
    public function pedals(Plan $plan, array $measures): Pedals;
}
