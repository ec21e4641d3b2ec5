<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

/**
 * What of a take is put right, so that the difference is heard.
 */
enum Mending: string
{
    /** Its notes with the foot of the plan. */
    case Foot = 'foot';
    /** Its keys and its foot with the strengths of the plan. */
    case Levels = 'levels';
    /** All of it in the time of the plan, at its own tempo. */
    case Time = 'time';

    public function label(): string
    {
        return match ($this) {
            self::Foot => "the take with the plan's pedal",
            self::Levels => "the take with the plan's balance",
            self::Time => "the take in the plan's time",
        };
    }
}
