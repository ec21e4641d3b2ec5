<?php

declare(strict_types=1);

namespace Tarnwind\Core\Student;

/**
 * How quickly a student plays evenly, as measured, in notes a second; null where it has not been measured.
 */
final readonly class Rates
{
    public function __construct(
        public ?float $run = null,
        public ?float $repetition = null,
    ) {
    }
}
