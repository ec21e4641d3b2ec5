<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

/**
 * When a key is to be down, in seconds from the beginning, and how quick the music goes there.
 */
final readonly class KeyTime
{
    /**
     * @param  float  $from  its written beginning
     * @param  float  $to  when it is left
     * @param  float  $end  its written end, for notes that are paced
     * @param  float  $quarter  seconds of a quarter, for notes that are paced
     * @param  float  $earliest  before which nothing is struck
     */
    public function __construct(
        public float $from,
        public float $to,
        public float $end,
        public float $quarter,
        public float $earliest = 0.0,
    ) {
    }
}
