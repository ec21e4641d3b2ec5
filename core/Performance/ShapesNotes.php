<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;

/**
 * Changes which notes are played, how long they are meant, or what is slurred.
 */
interface ShapesNotes
{
    public function notes(Score $score, Plan $plan): Score;
}
