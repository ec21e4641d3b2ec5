<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

/**
 * How much is asked of a student who is heard.
 */
enum Skill: string
{
    case Growing = 'growing';
    case Intermediate = 'intermediate';
    case Advanced = 'advanced';

    /**
     * Limits are wider or narrower by this [start].
     */
    public function width(): float
    {
        return match ($this) {
            self::Growing => 1.4,
            self::Intermediate => 1.0,
            self::Advanced => 0.75,
        };
    }

    public function label(): string
    {
        return ucfirst($this->value);
    }
}
