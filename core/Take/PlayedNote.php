<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

/**
 * A key that was struck and left.
 */
final readonly class PlayedNote
{
    /**
     * @param  float  $onset  ms from the beginning
     * @param  float  $release  ms from the beginning
     * @param  int  $velocity  MIDI, 1 to 127
     */
    public function __construct(
        public int $midi,
        public float $onset,
        public float $release,
        public int $velocity,
    ) {
    }
}
