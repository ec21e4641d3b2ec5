<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Score\Fraction;

/**
 * A moment at which the foot may act: an onset, the beginning of a general rest, or the end.
 */
final readonly class Moment
{
    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  float  $seconds  from the beginning
     * @param  int  $measure  index of the bar
     * @param  float  $strength  of the place in the bar, 0.25 to 1
     * @param  ?int  $harmony  index of the harmony
     * @param  list<Strike>  $strikes  that begin here
     * @param  bool  $needsJoin  whether what begins here must be joined to what ends and fingers cannot
     * @param  float  $silence  seconds of general rest between here and the next moment
     * @param  list<Strike>  $smeared  notes just left in a chromatic run
     */
    public function __construct(
        public Fraction $at,
        public float $seconds,
        public int $measure,
        public float $strength,
        public ?int $harmony,
        public array $strikes,
        public bool $needsJoin,
        public float $silence,
        public array $smeared,
    ) {
    }

    /**
     * Share of the notes that begin here and ask for dryness.
     */
    public function dryShare(): float
    {
        if ($this->strikes === []) {
            return 0.0;
        }

        return count(array_filter($this->strikes, fn (Strike $strike): bool => $strike->dry)) / count($this->strikes);
    }
}
