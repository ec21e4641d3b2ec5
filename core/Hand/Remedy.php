<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * One action on the plan that would mend a finding.
 */
final readonly class Remedy
{
    /**
     * @param  string  $action  "finger", "free" (of the teacher's finger), "hand", or "octave"
     * @param  non-empty-list<string>  $notes  ids of those it changes
     * @param  string  $value  the finger as "5-1", the hand, or octaves upwards as "+1"
     * @param  string  $label  what the action is called in words
     */
    public function __construct(
        public string $action,
        public array $notes,
        public string $value,
        public string $label,
    ) {
    }
}
