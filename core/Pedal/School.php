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
     * [start], calibrated on worked textures.
     */
    public function weights(): Weights
    {
        return match ($this) {
            self::Singing, self::AsPrinted => new Weights,
            self::Clean => new Weights(blur: 2.0, knee: 0.3, fill: 0.3, smear: 1.2, merge: 0.35),
            self::Haze => new Weights(blur: 0.5, resonance: 0.15, change: 0.25, smear: 0.2, merge: 0.05),
            self::DampersOff => new Weights(blur: 2.0, knee: 0.3, fill: 0.25, smear: 1.2, support: 0.1, dry: 0.7, resonance: -0.12),
        };
    }
}
