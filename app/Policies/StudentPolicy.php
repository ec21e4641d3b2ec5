<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Student;
use App\Models\User;

/**
 * A teacher's students are hers alone.
 */
final class StudentPolicy
{
    public function view(User $teacher, Student $student): bool
    {
        return $student->user_id === $teacher->id;
    }

    public function update(User $teacher, Student $student): bool
    {
        return $this->view($teacher, $student);
    }

    public function delete(User $teacher, Student $student): bool
    {
        return $this->update($teacher, $student);
    }
}
