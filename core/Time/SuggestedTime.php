<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Craft\Suggests;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Plan;

/**
 * Lets a piece take time as it suggests, around the teacher's own marks.
 */
final class SuggestedTime implements Suggests
{
    public function suggest(Performance $performance): Plan
    {
        return $performance->plan->withSettings(TimeCraft::NAME, new Timing(ProposedSchool::of($performance->written, $performance->reading())->school));
    }

    /**
     * When a piece takes time follows from the piece.
     */
    public function goesByStudent(Plan $plan): bool
    {
        return false;
    }
}
