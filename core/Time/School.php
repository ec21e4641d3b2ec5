<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

/**
 * How much time phrases take at their ends, where nobody says otherwise. A lesser slowing at the end of each phrase, deeper at the
 * end of a section: Todd, "A model of expressive timing in tonal music", Music Perception 3 (1985) [mem of pub]; how much is ours [start].
 */
enum School: string
{
    /** As it is printed, and no more. */
    case Strict = 'strict';

    case Breathing = 'breathing';

    case Free = 'free';

    /**
     * Share of its length that the last beat of a phrase is longer.
     */
    public function ending(): float
    {
        return match ($this) {
            self::Strict => 0.0,
            self::Breathing => 0.08,
            self::Free => 0.15,
        };
    }

    /**
     * Share of its length that the last beat of a section is longer.
     */
    public function section(): float
    {
        return match ($this) {
            self::Strict => 0.0,
            self::Breathing => 0.16,
            self::Free => 0.28,
        };
    }

    /**
     * Share of the tempo that is left at the very end.
     */
    public function final(): float
    {
        return match ($this) {
            self::Strict => 1.0,
            self::Breathing => 0.7,
            self::Free => 0.55,
        };
    }

    /**
     * Share of its length that a note is longer which is leaned on.
     */
    public function lean(): float
    {
        return $this === self::Free ? 0.1 : 0.0;
    }
}
