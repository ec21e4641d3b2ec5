<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

/**
 * What a craft is told for a whole plan; without a word from the teacher an instance made without arguments holds.
 */
interface Settings
{
    /**
     * @throws InvalidPlan if a field is of another kind
     */
    public static function read(Fields $fields): static;

    /**
     * What of a performance these settings change.
     *
     * @return non-empty-list<Aspect>
     */
    public static function bearsOn(): array;

    /**
     * @return array<string, mixed> as the plan's JSON Schema has it
     */
    public function toArray(): array;
}
