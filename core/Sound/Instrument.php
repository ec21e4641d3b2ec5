<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * The instruments students have at home, as far as pedalling differs on them.
 */
enum Instrument: string
{
    case ConcertGrand = 'concert-grand';
    case SmallUpright = 'small-upright';
    case Digital = 'digital';

    /**
     * The measured decay is a concert grand's; smaller ones ring shorter [start].
     */
    public function decay(): Decay
    {
        return new MeasuredDecay(match ($this) {
            self::ConcertGrand => 1.0,
            self::SmallUpright => 0.7,
            self::Digital => 0.85,
        });
    }

    /**
     * The quickest even repetition of one key, in strokes a second: around 7 on an upright and 13 on a good grand [mem],
     * between them on a digital piano [start].
     */
    public function repetition(): float
    {
        return match ($this) {
            self::ConcertGrand => 13.0,
            self::SmallUpright => 7.0,
            self::Digital => 10.0,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::ConcertGrand => 'Concert grand',
            self::SmallUpright => 'Small upright',
            self::Digital => 'Digital piano',
        };
    }
}
