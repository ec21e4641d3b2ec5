<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

/**
 * A pedal that was moved.
 */
final readonly class FootMove
{
    /**
     * @param  float  $ms  from the beginning
     * @param  int  $controller  MIDI: 64 damper, 66 sostenuto, 67 soft
     * @param  int  $value  0 up to 127 down
     */
    public function __construct(
        public float $ms,
        public int $controller,
        public int $value,
    ) {
    }
}
