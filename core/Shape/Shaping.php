<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Settings;

/**
 * The school by which the whole piece is shaped, and what it does where passages have no choice of their own.
 */
final readonly class Shaping implements Settings
{
    public function __construct(
        public School $school = School::AsPrinted,
        public Choices $choices = new Choices,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->choice('school', School::class, School::AsPrinted), Choices::read($fields));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Levels];
    }

    public function toArray(): array
    {
        return ['school' => $this->school->value, ...array_diff_assoc($this->choices->toArray(), (new Choices)->toArray())];
    }
}
