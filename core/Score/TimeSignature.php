<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * A metre as printed, such as "3/4", "6/8" or "3+2/8".
 */
final readonly class TimeSignature
{
    /**
     * @param  list<int>  $groups  numerators; more than one for an additive metre
     */
    public function __construct(
        public array $groups,
        public int $beatType,
    ) {
    }

    public static function common(): self
    {
        return new self([4], 4);
    }

    /**
     * Length of a bar in quarters.
     */
    public function length(): Fraction
    {
        return Fraction::of(4 * array_sum($this->groups), $this->beatType);
    }

    /**
     * The pulse in quarters: a dotted value in compound metres (6/8, 9/8, 12/8, 6/4), else the denominator's.
     */
    public function beat(): Fraction
    {
        $numerator = count($this->groups) === 1 ? $this->groups[0] : 0;

        return $numerator > 3 && $numerator % 3 === 0
            ? Fraction::of(12, $this->beatType)
            : Fraction::of(4, $this->beatType);
    }

    /**
     * How strong a place in the bar is: 1 first beat, 0.75 middle of an even bar, 0.5 another beat, 0.25 the rest.
     *
     * @param  Fraction  $offset  quarters from the bar's first beat
     */
    public function weightAt(Fraction $offset): float
    {
        if ($offset->isZero()) {
            return 1.0;
        }
        $beats = $offset->dividedBy($this->beat());
        if ($beats->denominator !== 1) {
            return 0.25;
        }
        $all = $this->length()->dividedBy($this->beat());

        return $all->denominator === 1 && $all->numerator % 2 === 0 && $beats->numerator * 2 === $all->numerator ? 0.75 : 0.5;
    }

    public function __toString(): string
    {
        return implode('+', $this->groups).'/'.$this->beatType;
    }
}
