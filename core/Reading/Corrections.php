<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;

/**
 * What the teacher reads otherwise than the program, in terms of one score.
 */
final readonly class Corrections
{
    /**
     * @param  list<FixedHarmony>  $harmonies  by place, not overlapping
     * @param  array<string, bool>  $boundaries  by place in quarters, whether a phrase begins there
     * @param  array<string, Layer>  $layers  by note id
     * @param  array<string, Hand>  $hands  by note id
     */
    public function __construct(
        public array $harmonies = [],
        public array $boundaries = [],
        public array $layers = [],
        public array $hands = [],
    ) {
    }

    /**
     * These and others; of two that speak of the same the others hold.
     */
    public function and(self $others): self
    {
        return new self(
            FixedHarmony::inOrder([...$this->harmonies, ...$others->harmonies]), array_replace($this->boundaries, $others->boundaries),
            array_replace($this->layers, $others->layers), array_replace($this->hands, $others->hands),
        );
    }

    public function isEmpty(): bool
    {
        return $this->harmonies === [] && $this->boundaries === [] && $this->layers === [] && $this->hands === [];
    }

    /**
     * The boundaries that are read, with those the teacher set and without those she took away.
     *
     * @param  list<Boundary>  $boundaries
     * @return list<Boundary>
     */
    public function applyTo(array $boundaries): array
    {
        $result = array_values(array_filter(
            $boundaries,
            fn (Boundary $boundary, int $index): bool => $index === 0 || ! isset($this->boundaries[(string) $boundary->at]),
            ARRAY_FILTER_USE_BOTH,
        ));
        foreach ($this->boundaries as $at => $begins) {
            $at = Fraction::parse((string) $at);
            if ($begins && array_filter($result, fn (Boundary $boundary): bool => $boundary->at->equals($at)) === []) {
                $result[] = new Boundary($at, 1.0, ['set by the teacher'], false, true);
            }
        }
        usort($result, fn (Boundary $a, Boundary $b): int => $a->at->compareTo($b->at));

        return $result;
    }
}
