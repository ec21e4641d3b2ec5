<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Student\Footwork;

/**
 * What the planner goes by: weights, how deep the pedal may go, how often it changes as a rule, and what is settled already.
 */
final readonly class Policy
{
    /**
     * @param  Weights  $weights  where no passage has its own
     * @param  non-empty-list<Depth>  $depths  the pedal may have, the deepest first
     * @param  array<int, Weights>  $own  by moment, where a passage has its own
     * @param  array<int, bool>  $due  by moment: whether a change is due there by a base rate; none where there is no rule
     * @param  array<int, Depth>  $settled  by moment, where a pedal is settled
     * @param  array<int, true>  $begins  by moment, where a settled pedal goes down
     * @param  array<int, true>  $dry  by moment, where there is to be none
     * @param  Footwork  $foot  how quick the student's foot is
     */
    public function __construct(
        public Weights $weights = new Weights,
        public array $depths = [new Depth],
        private array $own = [],
        private array $due = [],
        private array $settled = [],
        private array $begins = [],
        private array $dry = [],
        public Footwork $foot = new Footwork,
    ) {
    }

    /**
     * The same for pedals of some depths.
     *
     * @param  non-empty-list<Depth>  $depths
     */
    public function withDepths(array $depths): self
    {
        return new self($this->weights, $depths, $this->own, $this->due, $this->settled, $this->begins, $this->dry, $this->foot);
    }

    public function weightsAt(int $moment): Weights
    {
        return $this->own[$moment] ?? $this->weights;
    }

    public function isDue(int $moment): ?bool
    {
        return $this->due[$moment] ?? null;
    }

    /**
     * How deep a settled pedal is at a moment; null where none is.
     */
    public function settledAt(int $moment): ?Depth
    {
        return $this->settled[$moment] ?? null;
    }

    public function begins(int $moment): bool
    {
        return isset($this->begins[$moment]);
    }

    public function isDry(int $moment): bool
    {
        return isset($this->dry[$moment]);
    }
}
