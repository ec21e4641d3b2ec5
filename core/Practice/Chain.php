<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Score\Bars;

/**
 * Steps that follow each other: those of a chunk, of a line, of the whole.
 */
final readonly class Chain
{
    /**
     * @param  string  $key  the same as long as its bars are
     * @param  list<Step>  $steps  in order
     * @param  list<string>  $needs  keys of chains that must be finished before
     * @param  float  $hardness  harder ones come first
     * @param  ?int  $review  minutes that playing it again takes; null for what is not played again
     */
    public function __construct(
        public string $key,
        public Bars $bars,
        public array $steps,
        public array $needs,
        public float $hardness,
        public ?int $review,
    ) {
    }

    /**
     * The id of playing it again when it has been learnt.
     */
    public function reviewId(): string
    {
        return "$this->key:review";
    }

    /**
     * Playing it again, at whatever tempo, as a step.
     */
    public function again(): Step
    {
        $last = $this->steps[count($this->steps) - 1];

        return new Step($this->reviewId(), StepKind::Together, $this->bars, $last->from, $last->to, null, 0.0, $this->review ?? 0, '', '');
    }
}
