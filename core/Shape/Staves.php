<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

/**
 * For which hand's staff a dynamic holds.
 */
enum Staves: string
{
    case Both = 'both';
    case Upper = 'upper';
    case Lower = 'lower';

    /**
     * Number of the staff; null for both.
     */
    public function number(): ?int
    {
        return match ($this) {
            self::Both => null,
            self::Upper => 1,
            self::Lower => 2,
        };
    }
}
