<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

/**
 * What a measure is about.
 */
enum Subject: string
{
    case Notes = 'notes';
    case Time = 'time';
    case Touch = 'touch';
    case Foot = 'foot';
    case Balance = 'balance';
    case Shape = 'shape';

    public function label(): string
    {
        return ucfirst($this->value);
    }
}
