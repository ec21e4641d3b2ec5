<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Fraction;

/**
 * The damper pedal going down and coming up again; where one span ends as the next begins, the pedal is changed.
 */
final readonly class Span
{
    /**
     * @param  Fraction  $down  quarters from the beginning
     * @param  ?string  $mark  id of the mark that asks for it; null for one that is only suggested
     * @param  ?Fraction  $lowered  where a foot that goes down gradually is all the way down
     * @param  ?Fraction  $lifting  where a foot that comes up gradually begins to
     * @param  bool  $flutter  quick shallow changes all the while
     */
    public function __construct(
        public Fraction $down,
        public Fraction $up,
        public Depth $depth = new Depth,
        public ?string $mark = null,
        public Manner $manner = Manner::After,
        public ?Fraction $lowered = null,
        public ?Fraction $lifting = null,
        public bool $flutter = false,
    ) {
    }

    /**
     * The same pedal from one place to another; what does not lie between them is left out.
     */
    public function between(Fraction $down, Fraction $up): self
    {
        $inside = fn (?Fraction $at): ?Fraction => $at !== null && $down->isLessThan($at) && $at->isLessThan($up) ? $at : null;
        $manner = $down->equals($this->down) ? $this->manner : Manner::After;

        return new self(
            $down, $up, $this->depth, $this->mark, $manner, $down->equals($this->down) ? $inside($this->lowered) : null,
            $up->equals($this->up) ? $inside($this->lifting) : null, $this->flutter,
        );
    }

    /**
     * The same pedal, not as deep or deeper.
     */
    public function at(Depth $depth): self
    {
        return new self($this->down, $this->up, $depth, $this->mark, $this->manner, $this->lowered, $this->lifting, $this->flutter);
    }
}
