<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Settings;
use Tarnwind\Core\Reading\Layer;

/**
 * The school by which layers are balanced, and the teacher's own levels for them.
 */
final readonly class Balancing implements Settings
{
    /**
     * @param  array<string, float>  $levels  dB by layer, in place of the school's
     */
    public function __construct(
        public School $school = School::AsPrinted,
        public array $levels = [],
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->choice('school', School::class, School::AsPrinted), $fields->numbers('levels'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Levels];
    }

    public function toArray(): array
    {
        return ['school' => $this->school->value, ...($this->levels === [] ? [] : ['levels' => $this->levels])];
    }

    /**
     * dB that a layer gets beside the dynamic it stands in.
     */
    public function level(Layer $layer): float
    {
        return $this->levels[$layer->value] ?? $this->school->level($layer);
    }

    public function balances(): bool
    {
        return $this->school !== School::AsPrinted || $this->levels !== [];
    }
}
