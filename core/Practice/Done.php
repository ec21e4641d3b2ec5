<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * What was practised of a step on a day.
 */
final readonly class Done
{
    /**
     * @param  string  $step  its id, or that of a review
     * @param  bool  $passed  whether its gate was passed
     * @param  ?float  $tempo  quarters a minute that were reached
     */
    public function __construct(
        public string $step,
        public int $day,
        public int $minutes,
        public bool $passed,
        public ?float $tempo = null,
    ) {
    }
}
