<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Settings;

/**
 * The school by which time is taken in the whole piece.
 */
final readonly class Timing implements Settings
{
    public function __construct(public School $school = School::Strict)
    {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->choice('school', School::class, School::Strict));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Time];
    }

    public function toArray(): array
    {
        return ['school' => $this->school->value];
    }
}
