<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Score\Bars;

/**
 * Something worked out of a whole piece that is laid by in pages of bars, so that a few of them answer an edit.
 */
interface Paged extends Derived
{
    /**
     * What of a plan it rests on: while that stays, so does this.
     *
     * @return non-empty-list<Aspect>
     */
    public static function restsOn(): array;

    /**
     * The same without what its pages hold.
     */
    public function frame(): static;

    /**
     * @return list<list<mixed>> by page of bars
     */
    public function pages(): array;

    /**
     * @param  list<mixed>  $contents  of some pages that follow each other
     */
    public function with(array $contents): static;

    /**
     * The bars that an answer about some needs.
     */
    public function needed(Bars $asked, Performance $performance): Bars;
}
