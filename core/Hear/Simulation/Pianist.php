<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Simulation;

use Tarnwind\Core\Hear\Skill;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Bars;

/**
 * How a simulated pianist plays, and what.
 */
final readonly class Pianist
{
    /**
     * @param  list<Fault>  $faults
     * @param  int  $seed  the same one plays the same
     * @param  bool  $tellsDepth  whether her pedal knows more than up and down
     * @param  ?Bars  $bars  that she plays; null for all
     * @param  ?Hand  $hand  that plays; null for both
     */
    public function __construct(
        public array $faults = [],
        public Skill $skill = Skill::Intermediate,
        public int $seed = 1,
        public bool $tellsDepth = true,
        public ?Bars $bars = null,
        public ?Hand $hand = null,
    ) {
    }

    public function fault(FaultKind $kind, ?int $bar = null): ?Fault
    {
        foreach ($this->faults as $fault) {
            if ($fault->kind === $kind && ($bar === null || $fault->isIn($bar))) {
                return $fault;
            }
        }

        return null;
    }
}
