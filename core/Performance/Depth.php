<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * How far the damper pedal goes down: 1 is all the way, 0 is up.
 */
final readonly class Depth
{
    /** By name; what has none is told in percent. */
    private const NAMES = ['full' => 1.0, 'three-quarter' => 0.75, 'half' => 0.5, 'quarter' => 0.25];

    private const SAME = 1e-6;

    public function __construct(public float $share = 1.0)
    {
    }

    public static function full(): self
    {
        return new self;
    }

    public static function half(): self
    {
        return new self(self::NAMES['half']);
    }

    /**
     * @param  int|string  $value  a name, or percent of the way; what is neither is all the way
     */
    public static function from(int|string $value): self
    {
        return new self(is_int($value) ? max(0, min(100, $value)) / 100 : self::NAMES[$value] ?? 1.0);
    }

    public function isFull(): bool
    {
        return $this->share > 1 - self::SAME;
    }

    /**
     * @return int|string a name, or percent of the way
     */
    public function value(): int|string
    {
        foreach (self::NAMES as $name => $share) {
            if (abs($share - $this->share) < self::SAME) {
                return $name;
            }
        }

        return (int) round(100 * $this->share);
    }

    public function inWords(): string
    {
        $value = $this->value();

        return is_int($value) ? "$value %" : str_replace('-', ' ', $value);
    }

    /**
     * As a MIDI controller has it, 0 to 127.
     */
    public static function controller(float $share): int
    {
        return (int) round(127 * max(0.0, min(1.0, $share)));
    }
}
