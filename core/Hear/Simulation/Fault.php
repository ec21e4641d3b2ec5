<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Simulation;

use Tarnwind\Core\Score\Bars;

/**
 * A fault to be played.
 */
final readonly class Fault
{
    public float $amount;

    /**
     * @param  ?Bars  $bars  in which it is played; null for all
     * @param  ?float  $amount  as its kind has it; null for what a listener notices
     */
    public function __construct(public FaultKind $kind, public ?Bars $bars = null, ?float $amount = null)
    {
        $this->amount = $amount ?? $kind->amount();
    }

    public function isIn(int $bar): bool
    {
        return $this->bars === null || $this->bars->has($bar);
    }
}
