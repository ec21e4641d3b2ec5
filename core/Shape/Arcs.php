<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Search;

/**
 * How every phrase goes, by the school and as the teacher has it.
 */
final readonly class Arcs implements Derived
{
    /**
     * @param  list<Arc>  $all  by phrase
     */
    public function __construct(public array $all)
    {
    }

    public static function in(Performance $performance): static
    {
        return new self((new ArcMaker($performance))->all());
    }

    /**
     * The arc of the phrase in which a moment lies.
     */
    public function at(Fraction $onset): ?Arc
    {
        return $this->all === [] ? null : $this->all[Search::last(count($this->all), fn (int $index): bool => ! $onset->isLessThan($this->all[$index]->phrase->from))];
    }
}
