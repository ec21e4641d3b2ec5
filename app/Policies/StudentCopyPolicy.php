<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\StudentCopy;
use App\Models\User;

/**
 * A copy belongs to the teacher of its student.
 */
final class StudentCopyPolicy
{
    public function view(User $teacher, StudentCopy $copy): bool
    {
        return $copy->student->user_id === $teacher->id;
    }

    public function update(User $teacher, StudentCopy $copy): bool
    {
        return $this->view($teacher, $copy);
    }

    public function delete(User $teacher, StudentCopy $copy): bool
    {
        return $this->view($teacher, $copy);
    }
}
