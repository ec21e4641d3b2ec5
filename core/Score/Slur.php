<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * A printed slur between two notes, named by their ids.
 */
final readonly class Slur
{
    public function __construct(
        public string $from,
        public string $to,
    ) {
    }
}
