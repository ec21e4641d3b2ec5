<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\User;
use App\Models\WeeklyTime;

final class WeeklyTimePolicy
{
    public function update(User $teacher, WeeklyTime $time): bool
    {
        return $time->student->user_id === $teacher->id;
    }

    public function delete(User $teacher, WeeklyTime $time): bool
    {
        return $this->update($teacher, $time);
    }
}
