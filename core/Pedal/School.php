<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * Ways of pedalling that teachers hold to, each with its own weights for the planner.
 */
enum School: string
{
    case Singing = 'singing';
    case Clean = 'clean';
    case Haze = 'haze';
    case DampersOff = 'dampers-off';
    case AsPrinted = 'as-printed';

    /**
     * [start], calibrated on worked textures and on pieces marked by hand.
     *
     * @param  ?float  $haze  0 clean, 0.5 singing, 1 haze, or between them; null for the school's own
     */
    public function weights(?float $haze = null): Weights
    {
        if ($haze !== null && $this->haze() !== null) {
            return $haze <= 0.5
                ? Weights::between(self::Clean->weights(), self::Singing->weights(), 2 * $haze)
                : Weights::between(self::Singing->weights(), self::Haze->weights(), 2 * $haze - 1);
        }

        return match ($this) {
            self::Singing, self::AsPrinted => new Weights,
            self::Clean => new Weights(blur: 3.0, knee: 0.2, smear: 1.6, basses: 0.8, merge: 0.45, breath: 0.3, fill: 0.25, change: 0.1, resonance: 0.03, chord: 0.1, line: 0.6),
            self::Haze => new Weights(blur: 0.4, smear: 0.2, basses: 0.8, merge: 0.05, breath: 0.0, change: 0.25, resonance: 0.15, line: 0.2, shallow: 0.03),
            self::DampersOff => new Weights(blur: 2.0, knee: 0.3, smear: 1.2, dry: 0.7, support: 0.1, fill: 0.25, resonance: -0.12, chord: 0.0, floor: 0.0, line: 0.8),
        };
    }

    /**
     * Where a school stands between clean and haze; null for one that is neither.
     */
    public function haze(): ?float
    {
        return match ($this) {
            self::Clean => 0.0,
            self::Singing => 0.5,
            self::Haze => 1.0,
            self::DampersOff, self::AsPrinted => null,
        };
    }
}
