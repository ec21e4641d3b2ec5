<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Settings;

/**
 * The way of pedalling that suggestions follow.
 */
final readonly class PedalSettings implements Settings
{
    public function __construct(public School $school = School::Singing)
    {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->choice('school', School::class, School::Singing));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Suggestions];
    }

    public function toArray(): array
    {
        return ['school' => $this->school->value];
    }
}
