<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * Practice shared out over days.
 */
final readonly class Schedule
{
    /**
     * @param  list<PracticeDay>  $days  every day from the first, with days of rest
     * @param  array<string, Outlook>  $outlook  by piece
     */
    public function __construct(
        public array $days,
        public array $outlook,
    ) {
    }
}
