<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * What a student practises on a day.
 */
final readonly class PracticeDay
{
    /**
     * @param  int  $minutes  she has
     * @param  list<Item>  $items
     */
    public function __construct(
        public int $day,
        public int $minutes,
        public array $items,
    ) {
    }

    public function planned(): int
    {
        return array_sum(array_map(fn (Item $item): int => $item->minutes, $this->items));
    }
}
