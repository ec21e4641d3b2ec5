<?php

declare(strict_types=1);

namespace Tarnwind\Core\Calendar;

/**
 * A lesson as the weekly time has it.
 */
final readonly class Slot
{
    /**
     * @param  ?Holiday  $holiday  for which it does not take place
     */
    public function __construct(
        public WeeklyTime $time,
        public int $day,
        public ?Holiday $holiday,
    ) {
    }
}
