<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Reading\Hand;

/**
 * A key going down and up again, in seconds.
 */
final readonly class Strike
{
    /**
     * @param  string  $note  id
     * @param  string  $name  as the score spells it: "G♯4"
     * @param  float  $onset  seconds
     * @param  float  $release  seconds, when the finger leaves the key
     * @param  float  $amplitude  of the stroke, relative to velocity 127
     * @param  bool  $dry  whether its articulation asks for dryness
     * @param  bool  $melody  whether it is melody
     */
    public function __construct(
        public string $note,
        public string $name,
        public int $midi,
        public float $onset,
        public float $release,
        public float $amplitude,
        public bool $dry,
        public Hand $hand,
        public bool $melody = false,
    ) {
    }
}
