<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

/**
 * A pedal moving.
 */
final readonly class PedalEvent
{
    /** MIDI controllers. */
    public const DAMPER = 64;

    public const SOSTENUTO = 66;

    public const SOFT = 67;

    public const DOWN = 127;

    public const UP = 0;

    /**
     * @param  float  $at  played quarters
     * @param  float  $ms  milliseconds from the beginning
     * @param  int  $value  0 up to 127 down
     * @param  int  $controller  which pedal
     */
    public function __construct(
        public float $at,
        public float $ms,
        public int $value,
        public int $controller = self::DAMPER,
    ) {
    }
}
