<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

/**
 * One stroke of a note, or of the notes that its sign stands for. Seconds from the beginning, in written order.
 */
final readonly class Stroke
{
    /**
     * @param  float  $softer  dB by which it is softer than the note is meant
     */
    public function __construct(
        public int $midi,
        public float $from,
        public float $to,
        public float $softer = 0.0,
    ) {
    }
}
