<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * What the left pedal of an instrument does.
 */
enum SoftPedal: string
{
    case Works = 'works';
    case Weak = 'weak';
    case None = 'none';

    /**
     * dB by which it makes a stroke softer [start]: the mark of one grade is about 4 dB.
     */
    public function decibels(): float
    {
        return match ($this) {
            self::Works => 3.0,
            self::Weak => 1.0,
            self::None => 0.0,
        };
    }
}
