<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;

/**
 * A part of the form.
 */
final readonly class Section
{
    /**
     * @param  string  $letter  A, B, …; with ′ where an earlier one returns changed
     */
    public function __construct(
        public string $letter,
        public Fraction $from,
        public Fraction $to,
    ) {
    }
}
