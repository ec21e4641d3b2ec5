<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * Makes notes louder or softer.
 */
interface ShapesLevels
{
    public function levels(Performance $performance): LevelRule;
}
