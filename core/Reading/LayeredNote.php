<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * The layer a note belongs to.
 */
final readonly class LayeredNote
{
    /**
     * @param  float  $confidence  0 to 1; 1 where the teacher decided
     */
    public function __construct(
        public Layer $layer,
        public float $confidence,
    ) {
    }
}
