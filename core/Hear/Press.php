<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

/**
 * The damper pedal from where it goes down to where it comes up.
 */
final readonly class Press
{
    /**
     * @param  float  $down  ms
     * @param  float  $up  ms
     * @param  float  $depth  share of the way down at which it is held
     */
    public function __construct(
        public float $down,
        public float $up,
        public float $depth,
    ) {
    }

    public function holds(float $ms): bool
    {
        return $this->down <= $ms && $ms < $this->up;
    }
}
