<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Place;

/**
 * From one place to another.
 */
final readonly class Stretch
{
    /**
     * @param  Fraction  $from  quarters from the beginning
     * @param  ?string  $mark  id of the mark that asks for it
     */
    public function __construct(public Fraction $from, public Fraction $to, public ?string $mark = null)
    {
    }

    /**
     * Between two places.
     *
     * @param  array<string, Measure>  $measures  by id
     * @return ?self null where the score has no place for it
     */
    public static function between(Place $from, Place $to, array $measures, ?string $mark = null): ?self
    {
        [$begins, $ends] = [$from->onset($measures), $to->onset($measures)];

        return $begins === null || $ends === null || ! $begins->isLessThan($ends) ? null : new self($begins, $ends, $mark);
    }

    public function holds(Fraction $at): bool
    {
        return ! $at->isLessThan($this->from) && $at->isLessThan($this->to);
    }
}
