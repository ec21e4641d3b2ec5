<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

/**
 * How far from the plan a take may be before it is worth a word.
 */
final readonly class Limits
{
    /**
     * @param  array<string, float>  $own  those the studio has otherwise, by kind of measure, for an intermediate student
     */
    public function __construct(
        public Skill $skill = Skill::Intermediate,
        public array $own = [],
    ) {
    }

    public function of(MeasureKind $kind): float
    {
        return ($this->own[$kind->value] ?? $kind->limit()) * ($kind->isGraded() ? $this->skill->width() : 1.0);
    }
}
