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
     * @param  float  $basses  a second, while the bass before still rings under another one
     * @param  float  $dry  once, where what fingers cannot join is not joined by the pedal
     * @param  float  $support  a second, while the bass that is wanted is neither held nor ringing
     * @param  float  $lose  once, where a change lets a bass go that is still wanted
     * @param  float  $merge  once, where the harmony changes under one pedal
     * @param  float  $breath  once, where a phrase begins under the pedal of the one before
     * @param  float  $subito  once, where it is suddenly softer under the pedal of what was louder
     * @param  float  $fill  a second × share of the harmony's notes struck so far that no longer sound
     * @param  float  $change  each; more off the strong beats, less where something held hides it
     * @param  float  $tight  × shortfall, where a change leaves too little time to catch what is struck
     * @param  float  $fast  × shortfall, for foot movements closer than is comfortable
     * @param  float  $rest  a second of general silence under pedal
     * @param  float  $staccato  × share of staccato notes struck under pedal
     * @param  float  $resonance  a second of pedal, taken off
     * @param  float  $chord  each chord struck under pedal, taken off; the last one counts twice
     * @param  float  $floor  each bass struck under pedal, taken off: what is built on it wants to ring
     * @param  float  $line  a second of pedal where a line is alone or lines of equal right run
     * @param  float  $shallow  a second of pedal that is not all the way down: harder to do, and it sings less
     * @param  float  $rate  once, where a change is due by the base rate of the passage and none is made
     */
    public function __construct(
        public float $blur = 1.0,
        public float $knee = 0.5,
        public float $smear = 0.8,
        public float $basses = 0.4,
        public float $dry = 0.5,
        public float $support = 0.5,
        public float $lose = 0.3,
        public float $merge = 0.25,
        public float $breath = 0.1,
        public float $subito = 0.6,
        public float $fill = 0.4,
        public float $change = 0.12,
        public float $tight = 0.6,
        public float $fast = 2.0,
        public float $rest = 1.5,
        public float $staccato = 1.2,
        public float $resonance = 0.06,
        public float $chord = 0.15,
        public float $floor = 0.1,
        public float $line = 0.4,
        public float $shallow = 0.06,
        public float $rate = 0.35,
    ) {
    }

    /**
     * So far from one to another, 0 to 1.
     */
    public static function between(self $from, self $to, float $way): self
    {
        $ends = $to->byName();

        return new self(...array_map(fn (float $value, string $name): float => $value + ($ends[$name] - $value) * $way, $from->byName(), array_keys($from->byName())));
    }

    /**
     * @return array<string, float>
     */
    public function byName(): array
    {
        /** @var array<string, float> */
        return get_object_vars($this);
    }
}
