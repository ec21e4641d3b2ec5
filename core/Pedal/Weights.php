<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * What the planner weighs against each other [start]; the defaults are the singing school's.
 */
final readonly class Weights
{
    /**
     * @param  float  $blur  × b²/(b + knee), a second: what is clear or thinly veiled is nearly free, mud is not
     * @param  float  $smear  a second, while the note before in a chromatic run still rings
     * @param  float  $dry  once, where what fingers cannot join is not joined by the pedal
     * @param  float  $support  a second, while the bass of the harmony is neither held nor ringing
     * @param  float  $merge  once, where the harmony changes under one pedal
     * @param  float  $fill  a second × share of the harmony's notes struck so far that no longer sound
     * @param  float  $change  each; more off the strong beats
     * @param  float  $fast  × shortfall, for foot movements closer than is comfortable
     * @param  float  $rest  a second of general silence under pedal
     * @param  float  $staccato  × share of staccato notes struck under pedal
     * @param  float  $resonance  a second of pedal, taken off
     */
    public function __construct(
        public float $blur = 1.0,
        public float $knee = 0.5,
        public float $smear = 0.8,
        public float $dry = 0.5,
        public float $support = 0.5,
        public float $merge = 0.25,
        public float $fill = 0.4,
        public float $change = 0.12,
        public float $fast = 2.0,
        public float $rest = 1.5,
        public float $staccato = 1.2,
        public float $resonance = 0.06,
    ) {
    }
}
