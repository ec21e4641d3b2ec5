<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

/**
 * How a teacher shapes phrases. All values are ours, in dB [start], within a grade of the print.
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
     * dB that a phrase of two bars or more grows by to its goal.
     */
    public function rise(): float
    {
        return match ($this) {
            self::Singing => 3.2,
            self::Even => 1.3,
            self::AsPrinted, self::Terraced => 0.0,
        };
    }

    /**
     * dB that it falls by from its goal.
     */
    public function fall(): float
    {
        return match ($this) {
            self::Singing => 3.8,
            self::Even => 1.6,
            self::AsPrinted, self::Terraced => 0.0,
        };
    }

    /**
     * dB by which an echo is softer than what it repeats.
     */
    public function echo(): float
    {
        return match ($this) {
            self::AsPrinted => 0.0,
            self::Singing => 2.5,
            self::Even => 1.5,
            self::Terraced => 4.5,
        };
    }
}
