<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

/**
 * The damper pedal moving: MIDI controller 64.
 */
final readonly class PedalEvent
{
    public const CONTROLLER = 64;

    public const DOWN = 127;

    public const HALF = 64;

    public const UP = 0;

    /**
     * @param  float  $at  played quarters
     * @param  float  $ms  milliseconds from the beginning
     * @param  int  $value  0 up to 127 down
     */
    public function __construct(
        public float $at,
        public float $ms,
        public int $value,
    ) {
    }
}
