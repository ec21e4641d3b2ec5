<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Score\Fraction;

/**
 * The end of a phrase at which time is taken.
 */
final readonly class Ending
{
    /**
     * @param  Fraction  $at  where the next phrase begins, quarters from the beginning
     * @param  string  $reason  in a teacher's words
     * @param  bool  $isSection  whether a section ends here too
     * @param  ?string  $mark  id of the teacher's mark; null for one that the school takes
     * @param  ?float  $longer  share of the last beat, by that mark
     */
    public function __construct(
        public Fraction $at,
        public string $reason,
        public bool $isSection = false,
        public ?string $mark = null,
        public ?float $longer = null,
    ) {
    }

    /**
     * Share of its length that the last beat is longer.
     */
    public function longer(School $school): float
    {
        return $this->longer ?? ($this->isSection ? $school->section() : $school->ending());
    }
}
