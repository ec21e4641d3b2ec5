<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * An instrument as a teacher hears it: how long it rings, how well it is damped, what the room keeps, and what its left pedal does.
 */
final readonly class InstrumentProfile
{
    /**
     * @param  float  $ring  share of the measured decay of a concert grand
     * @param  float  $dampers  how firmly dampers stop a string: 1 for a grand's
     * @param  float  $room  seconds until the sound of the room has fallen by 60 dB; 0 for one that adds nothing
     * @param  float  $soft  dB by which the left pedal makes a stroke softer
     * @param  float  $softest  MIDI velocity of the softest stroke at which a key still speaks
     */
    public function __construct(
        public float $ring = 1.0,
        public float $dampers = 1.0,
        public float $room = 0.0,
        public float $soft = 3.0,
        public float $softest = 18.0,
    ) {
    }

    public function acoustics(): Acoustics
    {
        return new Acoustics(new MeasuredDecay($this->ring), new Dampers($this->dampers, $this->room), $this->soft);
    }
}
