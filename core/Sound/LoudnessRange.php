<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * Between the softest stroke at which a key still speaks and the loudest an instrument has. Both are approached softly: what
 * goes beyond them stays in its order, and nothing is pressed onto one value.
 */
final readonly class LoudnessRange
{
    /** dB from the softest stroke within which levels are drawn together, and from the loudest [start]. */
    private const NEAR_SOFTEST = 4.0;

    private const NEAR_LOUDEST = 2.0;

    /** dB from both ends within which a dynamic is moved so that all its layers have room [start]. */
    private const NEAR_ROOM = 4.0;

    /**
     * @param  float  $softest  MIDI velocity
     * @param  float  $loudest  MIDI velocity
     */
    public function __construct(public float $softest = 18.0, public float $loudest = 126.0)
    {
    }

    /**
     * dB of the softest stroke.
     */
    public function floor(): float
    {
        return Loudness::decibels($this->softest);
    }

    /**
     * dB of the loudest stroke.
     */
    public function ceiling(): float
    {
        return Loudness::decibels($this->loudest);
    }

    /**
     * What the instrument makes of a level that is wanted, dB.
     */
    public function play(float $level): float
    {
        return -self::kept(-self::kept($level, $this->floor(), self::NEAR_SOFTEST), -$this->ceiling(), self::NEAR_LOUDEST);
    }

    /**
     * A dynamic, in dB, moved so that what is played below and above it stays within reach.
     *
     * @param  float  $below  dB by which the softest of its layers lies under it
     * @param  float  $above  dB by which the loudest lies over it
     */
    public function withRoom(float $level, float $below, float $above): float
    {
        return -self::kept(-self::kept($level, $this->floor() + $below, self::NEAR_ROOM), $above - $this->ceiling(), self::NEAR_ROOM);
    }

    /**
     * A level as it is, from a bend on; below the bend ever closer to a bound that it does not reach, by a hyperbola that
     * leaves the bend with slope 1.
     */
    private static function kept(float $level, float $bound, float $bend): float
    {
        $beyond = $bound + $bend - $level;

        return $beyond <= 0 ? $level : $bound + $bend ** 2 / ($bend + $beyond);
    }
}
