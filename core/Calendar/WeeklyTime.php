<?php

declare(strict_types=1);

namespace Tarnwind\Core\Calendar;

/**
 * A time at which a student has her lesson every week.
 */
final readonly class WeeklyTime
{
    /**
     * @param  int  $weekday  0 for Monday to 6 for Sunday
     * @param  string  $at  as 16:30
     * @param  int  $minutes  it lasts
     * @param  int  $from  the first day on which it may be
     * @param  ?int  $until  the last; null where there is none
     */
    public function __construct(
        public string $key,
        public int $weekday,
        public string $at,
        public int $minutes,
        public int $from,
        public ?int $until = null,
    ) {
    }
}
