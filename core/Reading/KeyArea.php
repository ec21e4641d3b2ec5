<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;

/**
 * A stretch of the piece in one key.
 */
final readonly class KeyArea
{
    public function __construct(
        public Fraction $from,
        public Fraction $to,
        public Key $key,
    ) {
    }
}
