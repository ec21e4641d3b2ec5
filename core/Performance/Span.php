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
     * @param  ?string  $mark  id of the mark that asks for it; null for one that is only suggested
     */
    public function __construct(
        public Fraction $down,
        public Fraction $up,
        public Depth $depth = Depth::Full,
        public ?string $mark = null,
    ) {
    }

    /**
     * The same pedal from one place to another.
     */
    public function between(Fraction $down, Fraction $up): self
    {
        return new self($down, $up, $this->depth, $this->mark);
    }
}
