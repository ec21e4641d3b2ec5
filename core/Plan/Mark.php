<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

/**
 * One entry of a plan.
 */
interface Mark
{
    /**
     * @throws InvalidPlan if a field is missing or of another kind
     */
    public static function read(Fields $fields): static;

    /**
     * What of a performance a mark of this kind changes.
     *
     * @return non-empty-list<Aspect>
     */
    public static function bearsOn(): array;

    public function id(): string;

    /**
     * @return array<string, mixed> as the plan's JSON Schema has it
     */
    public function toArray(): array;

    /**
     * The same mark in a corrected score; null if it has no place there.
     */
    public function carried(Matching $matching): ?static;

    public function anchors(): Anchors;

    /**
     * What it is, for a teacher: "a pedal mark".
     */
    public function inWords(): string;
}
