<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Lesson;
use App\Models\User;

/**
 * A lesson belongs to the teacher of its student.
 */
final class LessonPolicy
{
    public function view(User $teacher, Lesson $lesson): bool
    {
        return $lesson->student->user_id === $teacher->id;
    }

    public function update(User $teacher, Lesson $lesson): bool
    {
        return $this->view($teacher, $lesson);
    }

    public function delete(User $teacher, Lesson $lesson): bool
    {
        return $this->view($teacher, $lesson);
    }
}
