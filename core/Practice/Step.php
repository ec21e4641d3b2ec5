<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;

/**
 * One thing to practise.
 */
final readonly class Step
{
    /**
     * @param  string  $id  the same as long as the bars and what is done with them are
     * @param  Fraction  $from  quarters from the beginning
     * @param  ?float  $tempo  quarters a minute; null for what has none
     * @param  float  $rate  share of the tempo of the plan
     * @param  int  $minutes  it takes
     * @param  string  $does  what to do, in words to the student
     * @param  string  $gate  what opens the next step
     * @param  string  $why  it is asked, with numbers; empty for what always is
     * @param  bool  $own  whether the teacher asks for it
     */
    public function __construct(
        public string $id,
        public StepKind $kind,
        public Bars $bars,
        public Fraction $from,
        public Fraction $to,
        public ?float $tempo,
        public float $rate,
        public int $minutes,
        public string $does,
        public string $gate,
        public string $why = '',
        public bool $own = false,
    ) {
    }

    public function isOptional(): bool
    {
        return $this->kind->isOptional() && ! $this->own;
    }
}
