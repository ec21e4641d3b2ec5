<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

/**
 * One action on the plan that would mend a finding.
 */
final readonly class Remedy
{
    /**
     * @param  string  $action  "articulate" (the note, with the value), "clear" (its articulation) or "release" (its hold)
     * @param  string  $value  the articulation, else empty
     * @param  string  $label  what the action is called in words
     */
    public function __construct(
        public string $action,
        public string $value,
        public string $label,
    ) {
    }
}
