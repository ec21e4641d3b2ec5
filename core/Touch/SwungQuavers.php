<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\ShapesTime;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\Swing;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Lets quavers swing in a style that asks for it.
 */
final class SwungQuavers implements ShapesTime
{
    public function time(TempoMap $tempo, Score $score, Plan $plan): TempoMap
    {
        return $plan->settings(Style::class)->profile->swings() ? $tempo->swung(Swing::of($score)) : $tempo;
    }
}
