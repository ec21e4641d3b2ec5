<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

/**
 * Bars played one after the other as written: where they stand in the score and how far playing has moved them.
 */
final readonly class Passage
{
    /**
     * @param  float  $from  written quarters
     * @param  float  $to  written quarters
     * @param  float  $quartersLater  played less written quarters
     * @param  float  $secondsLater  played less written seconds
     */
    public function __construct(
        public float $from,
        public float $to,
        private float $quartersLater,
        private float $secondsLater,
    ) {
    }

    public function quarters(float $written): float
    {
        return $written + $this->quartersLater;
    }

    public function seconds(float $written): float
    {
        return $written + $this->secondsLater;
    }
}
