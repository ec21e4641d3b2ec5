<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

/**
 * The course of a slowing, as players make it: at the fraction x of it the tempo is v(x) = [1 + (w^q − 1)·x]^(1/q) of the
 * tempo before, w the tempo at its end, q = 3: Friberg & Sundberg, "Does music performance allude to locomotion?",
 * JASA 105 (1999) [mem of pub]. A quickening takes the same course.
 */
final class Slowing
{
    private const Q = 3.0;

    /**
     * Share of the tempo before.
     *
     * @param  float  $done  fraction of the slowing that is over, 0 to 1
     * @param  float  $to  share of the tempo before at its end
     */
    public static function tempoAt(float $done, float $to): float
    {
        return (1 + ($to ** self::Q - 1) * max(0.0, min(1.0, $done))) ** (1 / self::Q);
    }
}
