<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * What the dampers of a piano do to a string that is not held: how fast they stop it, by key and by how far the pedal
 * keeps them off.
 *
 * All the way down they stop a string in 0.3 to 0.5 s in the bass and 0.1 s in the treble [mem]; above a key there are none.
 * Grazing ones stop the treble soon and the bass slowly: contact to a power that is greater in the bass [start], which at half
 * gives the bass 3 dB a second and the highest damped strings 70.
 */
final readonly class Dampers
{
    /** Above this key there are no dampers [mem]. */
    public const HIGHEST = 89;

    /** Seconds in which a damper that is all the way down stops the lowest string and the highest that has one: by 60 dB. */
    private const STOPS = [0.45, 0.1];

    private const SILENCE = 60.0;

    /** The pedal is clear of the strings from this share of its way on [start]. */
    public const CLEAR = 0.9;

    /** Powers of contact for the lowest string and the highest that has a damper [start]. */
    private const GRAZING = [4.67, 2.6];

    /** What a resonant room keeps of a sound that stops, in dB below it [start]. */
    private const ROOM = 18.0;

    /**
     * @param  float  $firmness  of all times: 1 for a grand's, less for weak ones
     * @param  float  $room  seconds until the sound of the room has fallen by 60 dB; 0 for one that adds nothing
     */
    public function __construct(private float $firmness = 1.0, private float $room = 0.0)
    {
    }

    /**
     * How fast a string is stopped, in dB a second beyond its own decay.
     *
     * @param  float  $share  of the way the pedal is down, 0 to 1
     */
    public function rate(int $midi, float $share): float
    {
        if ($midi > self::HIGHEST || $share >= self::CLEAR) {
            return 0.0;
        }
        $place = max(0.0, ($midi - Piano::LOWEST_KEY) / (self::HIGHEST - Piano::LOWEST_KEY));
        $full = self::SILENCE / (self::STOPS[0] * (self::STOPS[1] / self::STOPS[0]) ** $place);
        $power = self::GRAZING[0] + (self::GRAZING[1] - self::GRAZING[0]) * $place;

        return $this->firmness * $full * (1 - $share / self::CLEAR) ** $power;
    }

    /**
     * What is heard to be gone of a string, in dB, when dampers have taken so much from it: the room keeps some.
     *
     * @param  float  $lost  dB
     * @param  float  $seconds  since its key was left
     */
    public function heard(float $lost, float $seconds): float
    {
        if ($this->room <= 0.0 || $lost <= 0.0) {
            return $lost;
        }

        return -10 * log10(10 ** (-$lost / 10) + 10 ** (-(self::ROOM + self::SILENCE * $seconds / $this->room) / 10));
    }
}
