<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Settings;

/**
 * What planned fingers go by.
 */
final readonly class HandSettings implements Settings
{
    public function __construct(public FingeringSchool $school = FingeringSchool::Ease)
    {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->choice('school', FingeringSchool::class, FingeringSchool::Ease));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Fingers];
    }

    public function toArray(): array
    {
        return ['school' => $this->school->value];
    }
}
