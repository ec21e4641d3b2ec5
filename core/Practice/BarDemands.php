<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Count\Counting;
use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Portrait\Demand;
use Tarnwind\Core\Portrait\Demands;

/**
 * How a piece is counted at a student's rates, and what each bar asks of her hands.
 */
final readonly class BarDemands implements Derived
{
    /**
     * @param  list<Demand>  $demands  by bar
     */
    private function __construct(
        public Counting $counting,
        public array $demands,
    ) {
    }

    public static function in(Performance $performance): static
    {
        $counting = Counting::of($performance->score(), $performance->tempo(), null, $performance->student->rates, $performance->reading()->hands);

        return new self($counting, Demands::of($performance->score(), $performance->reading(), $counting, $performance->tempo()));
    }
}
