<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * How far levels lie apart in grades of dynamics, as teachers give and take them: in halves, and of one size at every dynamic.
 */
final class Grades
{
    /** dB of one grade near mp [mem]. */
    public const ONE = 4.0;

    /** The step a teacher takes, dB. */
    public const HALF = 2.0;

    /**
     * A change that is at least so large, in steps.
     *
     * @param  float  $decibels  of either sign
     * @return float dB
     */
    public static function outward(float $decibels): float
    {
        return ($decibels < 0 ? -1 : 1) * self::HALF * max(1.0, ceil(abs($decibels) / self::HALF - 1e-9));
    }

    /**
     * "a little", "half a grade", "2 grades".
     *
     * @param  float  $decibels  of either sign
     */
    public static function inWords(float $decibels): string
    {
        $halves = (int) round(abs($decibels) / self::HALF);

        return match (true) {
            $halves === 0 => 'a little',
            $halves === 1 => 'half a grade',
            $halves === 2 => 'a grade',
            $halves === 3 => 'a grade and a half',
            $halves % 2 === 0 => sprintf('%d grades', intdiv($halves, 2)),
            default => sprintf('%d grades and a half', intdiv($halves, 2)),
        };
    }

    /**
     * "half a grade softer".
     *
     * @param  float  $decibels  below 0 for softer
     */
    public static function change(float $decibels): string
    {
        return self::inWords($decibels).($decibels < 0 ? ' softer' : ' louder');
    }
}
