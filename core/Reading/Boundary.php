<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;

/**
 * Where a phrase begins.
 */
final readonly class Boundary
{
    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  float  $strength  0 to 1
     * @param  list<string>  $reasons  in a teacher's words
     * @param  bool  $section  whether a section begins here too
     * @param  bool  $fixed  whether the teacher set it
     */
    public function __construct(
        public Fraction $at,
        public float $strength,
        public array $reasons,
        public bool $section = false,
        public bool $fixed = false,
    ) {
    }

    public function asSection(string $reason): self
    {
        return new self($this->at, $this->strength, array_values(array_unique([...$this->reasons, $reason])), true, $this->fixed);
    }
}
