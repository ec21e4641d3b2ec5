<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Craft\ProposesSettings;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;

/**
 * The school a fresh piece suggests: voices of equal right step in terraces, all else sings [trade].
 */
final class ProposedShaping implements ProposesSettings
{
    /** Share of the sounding bars that must be counterpoint [start]. */
    private const MOST = 0.5;

    public function propose(Score $score, Reading $reading): Shaping
    {
        return new Shaping(BarTexture::Counterpoint->share($reading->textures) >= self::MOST ? School::Terraced : School::Singing);
    }
}
