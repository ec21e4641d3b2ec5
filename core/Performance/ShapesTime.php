<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Tempo\Course;

/**
 * Changes when things happen.
 */
interface ShapesTime
{
    /**
     * @param  Course  $course  as it is so far
     * @param  Performance  $performance  whose clock is not known yet
     */
    public function course(Course $course, Performance $performance): Course;
}
