<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\LevelRule;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\ShapesLevels;

/**
 * Lets short slurs begin with an impulse and end lighter.
 */
final class ShortSlurs implements ShapesLevels
{
    public function levels(Performance $performance): LevelRule
    {
        return new Impulses($performance->score());
    }
}
