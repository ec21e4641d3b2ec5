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
     * The measured decay is a concert grand's, smaller ones ring shorter; the light dampers of a small upright stop its strings less
     * well; a resonant room keeps what has stopped. The keys of an upright need more to speak than a grand's, those of a digital
     * piano less [start].
     */
    public function profile(): InstrumentProfile
    {
        return match ($this) {
            self::ConcertGrand => new InstrumentProfile,
            self::SmallUpright => new InstrumentProfile(ring: 0.7, dampers: 0.8, softest: 22.0),
            self::Digital => new InstrumentProfile(ring: 0.85, softest: 12.0),
            self::ResonantRoom => new InstrumentProfile(room: 2.2),
        };
    }

    public function decay(): Decay
    {
        return $this->profile()->acoustics()->decay;
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
