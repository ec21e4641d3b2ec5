<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * How heavy the keys of an instrument are.
 */
enum Action: string
{
    case Light = 'light';
    case Medium = 'medium';
    case Heavy = 'heavy';

    /**
     * What is left of the quickest repetition [start].
     */
    public function quickness(): float
    {
        return $this === self::Heavy ? 0.85 : 1.0;
    }

    /**
     * How much of a load that strains on medium keys strains on these [start].
     */
    public function endurance(): float
    {
        return match ($this) {
            self::Light => 1.25,
            self::Medium => 1.0,
            self::Heavy => 0.75,
        };
    }
}
