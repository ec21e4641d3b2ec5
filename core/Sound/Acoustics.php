<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * How an instrument sounds on: its strings, its dampers and its left pedal.
 */
final readonly class Acoustics
{
    /**
     * @param  float  $soft  dB by which the left pedal makes a stroke softer
     * @param  float  $softLonger  by which its sound falls more slowly: the string that is not struck takes part later,
     *                             Weinreich, "Coupled piano strings", JASA 62 (1977); the value is ours [start]
     */
    public function __construct(
        public Decay $decay = new MeasuredDecay,
        public Dampers $dampers = new Dampers,
        public float $soft = 3.0,
        public float $softLonger = 1.15,
    ) {
    }
}
