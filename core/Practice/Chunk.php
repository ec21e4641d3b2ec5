<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;

/**
 * A few bars that are practised as one.
 */
final readonly class Chunk
{
    /**
     * @param  int  $line  the place of the line it belongs to, from 0
     * @param  Fraction  $from  quarters from the beginning; an up-beat belongs to it
     * @param  float  $hardness  chunks of one piece are compared by it, pieces are not
     * @param  list<string>  $reasons  what makes it hard, in a teacher's words, the weightiest first
     * @param  ?float  $ceiling  quarters a minute up to which the student's measured rates carry it; null where nothing is known
     * @param  float  $goal  quarters a minute it is to go at in the end, as it begins
     * @param  float  $seconds  it lasts then
     * @param  ?Twin  $twin  what it is like, of what comes before
     * @param  string  $next  what is struck first after it; empty at the end
     * @param  bool  $own  whether the teacher cut it so
     */
    public function __construct(
        public Bars $bars,
        public int $line,
        public Fraction $from,
        public Fraction $to,
        public float $hardness,
        public array $reasons,
        public ?float $ceiling,
        public float $goal,
        public float $seconds,
        public ?Twin $twin,
        public string $next,
        public bool $own,
    ) {
    }

    /**
     * Whether it is learnt with the bars it is the same as.
     */
    public function isKnown(): bool
    {
        return $this->twin?->isExact() === true;
    }
}
