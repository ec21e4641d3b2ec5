<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * A piece a student practises: its chains, until when, and what is done of them.
 */
final readonly class Project
{
    /**
     * @param  string  $key  by which it is told from others
     * @param  list<Chain>  $chains
     * @param  ?int  $goal  the day for which it is to be ready; null where there is none
     * @param  list<Done>  $done  by day
     */
    public function __construct(
        public string $key,
        public array $chains,
        public ?int $goal = null,
        public array $done = [],
    ) {
    }
}
