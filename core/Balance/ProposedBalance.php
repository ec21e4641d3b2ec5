<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Craft\ProposesSettings;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;

/**
 * The balance a fresh piece suggests: voices of equal right stay close, a tune sings over what goes along with it [trade].
 */
final class ProposedBalance implements ProposesSettings
{
    /** Share of the sounding bars that must be counterpoint [start]. */
    private const MOST = 0.5;

    public function propose(Score $score, Reading $reading): Balancing
    {
        return new Balancing(BarTexture::Counterpoint->share($reading->textures) >= self::MOST ? School::Even : School::Singing);
    }
}
