<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * How far a hand must move from one place to another, and how long that takes: a movement to a key takes longer the
 * further it is and the narrower the key, a + b log2(2 D / W): Fitts, "The information capacity of the human motor
 * system", Journal of Experimental Psychology 47 (1954) [pub], with a and b for the arm at the keyboard [start].
 */
final readonly class Leap
{
    /** Seconds. */
    private const BEGIN = 0.05;

    private const PER_BIT = 0.06;

    /** mm [trade]: a white key, and a semitone's share of an octave of 164.5 mm. */
    private const KEY = 23.5;

    private const SEMITONE = 164.5 / 12;

    /** Where the fingers of a hand at rest lie from its thumb, in semitones. */
    private const FINGERS = [1 => 0.0, 2 => 2.0, 3 => 4.0, 4 => 5.5, 5 => 7.0];

    /** So far, in semitones, a hand gets by opening and turning, without leaping [start]. */
    private const WITHOUT_LEAPING = 9.0;

    /** The key to be left must have been held so long, in seconds [start]. */
    private const STROKE = 0.05;

    private function __construct(public float $semitones)
    {
    }

    /**
     * From one fingered grip to another of the same hand.
     *
     * @param  list<int>  $fingers
     * @param  list<int>  $next
     */
    public static function from(Grip $grip, array $fingers, Grip $to, array $next): self
    {
        return new self(abs(self::thumb($to, $next) - self::thumb($grip, $fingers)));
    }

    /**
     * Between a grip and a single key, to or from its nearest note.
     */
    public static function between(Grip $grip, int $midi): self
    {
        return new self($grip->notes === [] ? 0.0 : min(array_map(fn ($note): int => abs($note->midi - $midi), $grip->notes)));
    }

    public function isLeap(): bool
    {
        return $this->semitones > self::WITHOUT_LEAPING;
    }

    /**
     * Seconds the movement takes.
     */
    public function seconds(): float
    {
        return $this->semitones < 1 ? 0.0 : self::BEGIN + self::PER_BIT * log(2 * $this->semitones * self::SEMITONE / self::KEY, 2);
    }

    /**
     * Whether there is time for it between two strokes.
     *
     * @param  float  $seconds  from stroke to stroke
     */
    public function fits(float $seconds): bool
    {
        return ! $this->isLeap() || $this->seconds() + self::STROKE <= $seconds;
    }

    /**
     * Where the thumb of a hand is that has these fingers on these keys, in semitones outwards.
     *
     * @param  list<int>  $fingers
     */
    private static function thumb(Grip $grip, array $fingers): float
    {
        $sum = 0.0;
        foreach ($fingers as $index => $finger) {
            $sum += $grip->keys[$index] - self::FINGERS[$finger];
        }

        return $fingers === [] ? 0.0 : $sum / count($fingers);
    }
}
