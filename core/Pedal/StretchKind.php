<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * What else the feet do, or are meant to do, from one place to another.
 */
enum StretchKind: string
{
    /** The left pedal: una corda. */
    case Soft = 'soft';

    /** The middle pedal keeps the keys that are down where it goes down. */
    case Sostenuto = 'sostenuto';

    /** Sounds are meant to run into each other. */
    case Wash = 'wash';

    public function inWords(): string
    {
        return match ($this) {
            self::Soft => 'una corda',
            self::Sostenuto => 'the middle pedal',
            self::Wash => 'a wanted wash',
        };
    }
}
