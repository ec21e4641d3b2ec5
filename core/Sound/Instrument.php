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
    case ResonantRoom = 'resonant-room';

    /**
     * The measured decay is a concert grand's; smaller ones ring shorter [start].
     */
    public function decay(): Decay
    {
        return new MeasuredDecay(match ($this) {
            self::ConcertGrand, self::ResonantRoom => 1.0,
            self::SmallUpright => 0.7,
            self::Digital => 0.85,
        });
    }

    /**
     * The light dampers of a small upright stop its strings less well; a resonant room keeps what has stopped [start].
     */
    public function dampers(): Dampers
    {
        return match ($this) {
            self::ConcertGrand, self::Digital => new Dampers,
            self::SmallUpright => new Dampers(0.8),
            self::ResonantRoom => new Dampers(1.0, 2.2),
        };
    }

    /**
     * The quickest even repetition of one key, in strokes a second: around 7 on an upright and 13 on a good grand [mem],
     * between them on a digital piano [start].
     */
    public function repetition(): float
    {
        return match ($this) {
            self::ConcertGrand, self::ResonantRoom => 13.0,
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
            self::ResonantRoom => 'Grand in a resonant room',
        };
    }
}
