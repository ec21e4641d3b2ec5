<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\ShapesTime;
use Tarnwind\Core\Tempo\Course;
use Tarnwind\Core\Tempo\Swing;

/**
 * Lets quavers swing in a style that asks for it.
 */
final class SwungQuavers implements ShapesTime
{
    public function course(Course $course, Performance $performance): Course
    {
        return $performance->plan->settings(Style::class)->profile->swings() ? $course->with(swing: Swing::of($performance->score())) : $course;
    }
}
