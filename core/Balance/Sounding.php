<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Score\Note;

/**
 * A note as it sounds, in seconds from the beginning.
 */
final class Sounding
{
    /**
     * @param  float  $from  struck
     * @param  float  $to  its written end
     * @param  float  $until  let go by key and foot, or struck again
     * @param  float  $level  of its stroke, dB below velocity 127
     */
    public function __construct(
        public readonly Note $note,
        public readonly float $from,
        public readonly float $to,
        public float $until,
        public readonly float $level,
    ) {
    }
}
