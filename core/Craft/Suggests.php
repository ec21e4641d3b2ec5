<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Plan;

/**
 * Puts what a craft suggests into a plan, around the teacher's own marks.
 */
interface Suggests
{
    public function suggest(Performance $performance): Plan;
}
