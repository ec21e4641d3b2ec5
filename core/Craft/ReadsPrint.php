<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Score\Score;

/**
 * Takes what an edition has printed into a fresh plan.
 */
interface ReadsPrint
{
    /**
     * @return list<Mark>
     */
    public function marks(Score $score): array;
}
