<?php

declare(strict_types=1);

namespace Tarnwind\Core\Student;

/**
 * How quick a student's foot is on the pedal.
 */
final readonly class Footwork
{
    /** Two changes closer than this, in seconds, are tiring [start]. */
    public const COMFORTABLE = 0.35;

    /** A change that leaves less than this to catch what is struck, in seconds, is tight [start]. */
    public const CATCHES = 0.15;

    /** Shares of that time: not reliably playable below the first, not even with the strike below the second; and of two changes: only a flutter [start]. */
    private const UNPLAYABLE = 8 / 15;

    private const DIRECT = 1 / 3;

    private const FLUTTER = 4 / 7;

    /**
     * @param  float  $comfortable  seconds from one change to the next
     * @param  float  $catches  seconds in which she catches what is struck
     */
    public function __construct(public float $comfortable = self::COMFORTABLE, public float $catches = self::CATCHES)
    {
    }

    /**
     * Seconds below which a change is not reliably playable.
     */
    public function unplayable(): float
    {
        return self::UNPLAYABLE * $this->catches;
    }

    /**
     * Seconds a change needs that is made with the strike.
     */
    public function direct(): float
    {
        return self::DIRECT * $this->catches;
    }

    /**
     * Seconds from one change to the next below which only a flutter is possible.
     */
    public function flutter(): float
    {
        return self::FLUTTER * $this->comfortable;
    }
}
