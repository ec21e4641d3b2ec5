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

    /**
     * Whether a plan has something suggested that goes by hands, foot or piano, so that it is suggested again for another
     * student.
     */
    public function goesByStudent(Plan $plan): bool;
}
