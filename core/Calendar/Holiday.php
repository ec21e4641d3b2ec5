<?php

declare(strict_types=1);

namespace Tarnwind\Core\Calendar;

/**
 * Days on which there are no lessons.
 */
final readonly class Holiday
{
    public function __construct(
        public string $name,
        public int $first,
        public int $last,
    ) {
    }

    public function has(int $day): bool
    {
        return $day >= $this->first && $day <= $this->last;
    }
}
