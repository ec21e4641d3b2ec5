<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Score\Fraction;

/**
 * A beat of a passage of rubato, or a part of one.
 */
final readonly class RubatoBeat
{
    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  int  $micros  microseconds that it lasts without rubato
     * @param  int  $taken  microseconds that it takes; below 0 for those it gives
     * @param  bool  $isOpen  whether it has no length of its own
     */
    public function __construct(
        public Fraction $at,
        public Fraction $to,
        public int $micros,
        public int $taken,
        public bool $isOpen,
    ) {
    }

    /**
     * Times its length without rubato.
     */
    public function factor(): float
    {
        return 1 + $this->taken / max(1, $this->micros);
    }
}
