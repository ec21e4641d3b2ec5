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

    /** Jazz-like with even quavers: notes off the beat are kept short, slurs and accents carry the rhythm. */
    case Straight = 'straight';

    /** The same with swung quavers: those off the beat come late. */
    case Swing = 'swing';

    /**
     * The share of its length that a note without slur or sign is held.
     */
    public function plain(): float
    {
        return match ($this) {
            self::Written, self::Lyrical => 1.0,
            self::Straight, self::Swing => 0.9,
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
            self::Older => 0.7,
            self::Dance, self::Straight, self::Swing => 0.6,
        };
    }

    /**
     * The share that a short note off the beat is held.
     */
    public function offBeat(): float
    {
        return $this === self::Straight || $this === self::Swing ? 0.55 : $this->plain();
    }

    /**
     * How long a key is still held after the next of a joined line is struck, in ms: between 10 and 40 [mem].
     */
    public function overlap(): float
    {
        return match ($this) {
            self::Written => 0.0,
            self::Lyrical => 30.0,
            default => 10.0,
        };
    }

    /**
     * What is left of a staccato's share.
     */
    public function crispness(): float
    {
        return $this === self::Dance ? 0.8 : 1.0;
    }

    public function swings(): bool
    {
        return $this === self::Swing;
    }
}
