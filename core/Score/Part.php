<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * A part of the score as its part list names it.
 */
final readonly class Part
{
    public function __construct(
        public string $id,
        public string $name,
        public int $staves,
    ) {
    }
}
