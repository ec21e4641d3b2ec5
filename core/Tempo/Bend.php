<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;

/**
 * A stretch of time made longer or shorter than the tempo has it.
 */
final readonly class Bend
{
    /**
     * @param  float  $from  quarters from the beginning
     * @param  float  $factor  of its length
     * @param  string  $reason  in a teacher's words
     * @param  ?string  $mark  id of the teacher's mark
     * @param  ?Fraction  $before  the place that it leads to, where it is the end of a phrase
     */
    public function __construct(
        public float $from,
        public float $to,
        public float $factor,
        public BendKind $kind,
        public string $reason,
        public ?string $mark = null,
        public ?Fraction $before = null,
    ) {
    }
}
