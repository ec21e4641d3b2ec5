<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

/**
 * One entry of a plan.
 */
interface Mark
{
    /**
     * @return array<string, mixed> as the plan's JSON Schema has it
     */
    public function toArray(): array;

    /**
     * The same mark in a corrected score; null if it has no place there.
     */
    public function carried(Matching $matching): ?self;

    /**
     * What it is, for a teacher: "a pedal mark".
     */
    public function inWords(): string;

    /**
     * The bar it stands in, by id; null where it belongs to notes.
     */
    public function measure(): ?string;
}
