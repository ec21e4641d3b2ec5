<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\ProposesSettings;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;

/**
 * The way of pedalling a fresh piece suggests [trade]: where lines of equal right run in most bars that sound, no pedal but
 * touches; else the singing way.
 */
final class ProposedPedalling implements ProposesSettings
{
    /** Share of the sounding bars [start]. */
    private const MOST = 0.5;

    public function propose(Score $score, Reading $reading): PedalSettings
    {
        return new PedalSettings(BarTexture::Counterpoint->share($reading->textures) >= self::MOST ? School::DampersOff : School::Singing);
    }
}
