<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

/**
 * The course of a slowing, as players make it: at the fraction x of it the tempo is v(x) = [1 + (w^q − 1)·x]^(1/q) of the
 * tempo before, w the tempo at its end, q about 3: Friberg & Sundberg, "Does music performance allude to locomotion?",
 * JASA 105 (1999) [mem of pub]. A quickening takes the same course.
 */
final class Slowing
{
    /** The exponent q: the greater, the later it slows. */
    public const SHAPE = 3.0;

    /** Tempo at the end of a final slowing, share of the tempo before: 0.3 to 0.6 as players make it [mem of pub]. */
    public const FINAL = 0.6;

    /**
     * Share of the tempo before.
     *
     * @param  float  $done  fraction of the slowing that is over, 0 to 1
     * @param  float  $to  share of the tempo before at its end
     */
    public static function tempoAt(float $done, float $to, float $shape = self::SHAPE): float
    {
        return (1 + ($to ** $shape - 1) * max(0.0, min(1.0, $done))) ** (1 / $shape);
    }

    /** Share of a free passage that its beginning and its end take, and the tempo there and between [start]. */
    private const EDGE = 0.25;

    private const FREE_IN = 0.7;

    private const FREE = 1.15;

    private const FREE_OUT = 0.6;

    /**
     * Share of the tempo before in a passage that is not counted: slow in, free in the middle, slow out [trade].
     *
     * @param  float  $done  fraction of it that is over, 0 to 1
     */
    public static function freeAt(float $done): float
    {
        return match (true) {
            $done < self::EDGE => self::FREE_IN + (self::FREE - self::FREE_IN) * $done / self::EDGE,
            $done > 1 - self::EDGE => self::FREE + (self::FREE_OUT - self::FREE) * ($done - 1 + self::EDGE) / self::EDGE,
            default => self::FREE,
        };
    }
}
