<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * A step on a day.
 */
final readonly class Item
{
    /**
     * @param  string  $project  key of its piece
     * @param  ?Step  $step  null for a chain that is played again
     */
    public function __construct(
        public string $project,
        public Chain $chain,
        public ?Step $step,
        public int $minutes,
    ) {
    }

    public function id(): string
    {
        return $this->step->id ?? $this->chain->reviewId();
    }
}
