<?php

declare(strict_types=1);

namespace Tarnwind\Core\Student;

/**
 * How wide a hand opens between thumb and little finger, in semitones.
 */
final readonly class Reach
{
    /** What the published spans are for (Parncutt et al., Music Perception 14, 1997 [mem of pub]): 1-5 comfortable and practical. */
    public const PUBLISHED_COMFORTABLE = 13;

    public const PUBLISHED_LARGEST = 15;

    public function __construct(
        public int $comfortable = self::PUBLISHED_COMFORTABLE,
        public int $largest = self::PUBLISHED_LARGEST,
    ) {
    }
}
