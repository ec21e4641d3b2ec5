<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Plan\Settings;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Score;

/**
 * Proposes the settings of a craft for a piece that nobody has planned yet.
 */
interface ProposesSettings
{
    public function propose(Score $score, Reading $reading): Settings;
}
