<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\LessonPoint;
use App\Models\User;

/**
 * A point belongs to the teacher of its lesson.
 */
final class LessonPointPolicy
{
    public function update(User $teacher, LessonPoint $point): bool
    {
        return $point->lesson->student->user_id === $teacher->id;
    }

    public function delete(User $teacher, LessonPoint $point): bool
    {
        return $this->update($teacher, $point);
    }
}
