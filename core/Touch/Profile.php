<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

/**
 * The style whose habits fill in what is not written. All shares are ours [start].
 */
enum Profile: string
{
    /** Every note as long as it is written. */
    case Written = 'written';

    /** Joined where nothing speaks against it; slurs end with a small breath. */
    case Lyrical = 'lyrical';

    /** Light and detached between slurs; slurs end with a clear lift. */
    case Dance = 'dance';

    /** Spoken: detached unless slurred, as on instruments without a pedal. */
    case Older = 'older';

    /**
     * The share of its length that a note without slur or sign is held.
     */
    public function plain(): float
    {
        return match ($this) {
            self::Written, self::Lyrical => 1.0,
            self::Dance => 0.8,
            self::Older => 0.75,
        };
    }

    /**
     * The share that the last note of a slur is held, where another note follows at once.
     */
    public function lift(): float
    {
        return match ($this) {
            self::Written => 1.0,
            self::Lyrical => 0.85,
            self::Dance => 0.6,
            self::Older => 0.7,
        };
    }

    /**
     * What is left of a staccato's share.
     */
    public function crispness(): float
    {
        return $this === self::Dance ? 0.8 : 1.0;
    }
}
