<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Calendar\Day;

/**
 * How many minutes a student practises on the days of a week; none on days of rest.
 */
final readonly class Week
{
    /**
     * @param  list<int>  $minutes  seven, from Monday
     * @param  array<int, int>  $other  minutes of single days that are otherwise, by day
     */
    public function __construct(
        public array $minutes,
        private array $other = [],
    ) {
    }

    public function minutesOn(int $day): int
    {
        return $this->other[$day] ?? $this->minutes[Day::weekday($day)];
    }

    public function longest(): int
    {
        return max([0, ...$this->minutes]);
    }

    /**
     * Minutes from one day to another, that one included.
     */
    public function between(int $from, int $to): int
    {
        $sum = 0;
        for ($day = $from; $day <= $to; $day++) {
            $sum += $this->minutesOn($day);
        }

        return $sum;
    }
}
