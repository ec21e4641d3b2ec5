<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Score\Fraction;

/**
 * One action on the plan that would mend a finding.
 */
final readonly class Remedy
{
    /**
     * @param  string  $action  "change", "lift", "remove" (the pedal before goes on) or "erase" (no pedal is left), at a place
     * @param  string  $label  what the action is called in words
     */
    public function __construct(
        public string $action,
        public Fraction $at,
        public string $label,
    ) {
    }
}
