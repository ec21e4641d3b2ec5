<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

/**
 * How a teacher shapes phrases. All values are ours [start], within one or two grades of the print.
 */
enum School: string
{
    /** As loud as it is printed, and no more. */
    case AsPrinted = 'as-printed';

    /** Every phrase grows to its goal and falls from it. */
    case Singing = 'singing';

    /** The same with little: the texture stays even. */
    case Even = 'even';

    /** Levels by step, from phrase to phrase, as on instruments that know no growing. */
    case Terraced = 'terraced';

    public function shapes(): bool
    {
        return $this !== self::AsPrinted;
    }

    /**
     * Velocities that a phrase of two bars or more grows by to its goal.
     */
    public function rise(): float
    {
        return match ($this) {
            self::Singing => 12.0,
            self::Even => 5.0,
            self::AsPrinted, self::Terraced => 0.0,
        };
    }

    /**
     * Velocities that it falls by from its goal.
     */
    public function fall(): float
    {
        return match ($this) {
            self::Singing => 14.0,
            self::Even => 6.0,
            self::AsPrinted, self::Terraced => 0.0,
        };
    }

    /**
     * Velocities by which an echo is softer than what it repeats.
     */
    public function echo(): float
    {
        return match ($this) {
            self::AsPrinted => 0.0,
            self::Singing => 8.0,
            self::Even => 5.0,
            self::Terraced => 16.0,
        };
    }
}
