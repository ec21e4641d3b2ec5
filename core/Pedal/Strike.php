<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * A key going down and up again, in seconds.
 */
final readonly class Strike
{
    /**
     * @param  string  $note  id
     * @param  float  $onset  seconds
     * @param  float  $release  seconds, when the finger leaves the key
     * @param  float  $amplitude  of the stroke, relative to velocity 127
     * @param  bool  $dry  whether its articulation asks for dryness
     * @param  int  $hand  1 right, 2 left
     */
    public function __construct(
        public string $note,
        public int $midi,
        public float $onset,
        public float $release,
        public float $amplitude,
        public bool $dry,
        public int $hand,
    ) {
    }
}
