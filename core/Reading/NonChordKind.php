<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * What a note does that does not belong to its harmony.
 */
enum NonChordKind: string
{
    case Passing = 'passing';
    case Neighbour = 'neighbour';
    case Suspension = 'suspension';
    case Anticipation = 'anticipation';
    case Appoggiatura = 'appoggiatura';
    case Escape = 'escape';
    case PedalPoint = 'pedal-point';
    case Free = 'free';

    public function inWords(): string
    {
        return match ($this) {
            self::Passing => 'passing note',
            self::Neighbour => 'neighbour note',
            self::Escape => 'escape note',
            self::PedalPoint => 'pedal point',
            self::Free => 'added note',
            default => $this->value,
        };
    }
}
