<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

/**
 * Measures one side of a take.
 */
interface Measures
{
    /**
     * @return list<Measure> by place in the score, faults and what is well alike
     */
    public function of(Comparison $comparison): array;
}
