<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Fraction;

/**
 * The pedal going down and coming up again; where one span ends as the next begins, the pedal is changed.
 */
final readonly class Span
{
    /**
     * @param  Fraction  $down  quarters from the beginning
     */
    public function __construct(
        public Fraction $down,
        public Fraction $up,
        public Depth $depth = Depth::Full,
    ) {
    }
}
