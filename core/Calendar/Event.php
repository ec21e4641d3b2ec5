<?php

declare(strict_types=1);

namespace Tarnwind\Core\Calendar;

/**
 * Something with a beginning and an end, for a calendar.
 */
final readonly class Event
{
    /**
     * @param  string  $uid  the same whenever it is written
     * @param  string  $at  as 16:30
     */
    public function __construct(
        public string $uid,
        public int $day,
        public string $at,
        public int $minutes,
        public string $summary,
        public string $description = '',
        public bool $isCancelled = false,
    ) {
    }
}
