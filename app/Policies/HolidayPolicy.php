<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Holiday;
use App\Models\User;

final class HolidayPolicy
{
    public function delete(User $teacher, Holiday $holiday): bool
    {
        return $holiday->user_id === $teacher->id;
    }
}
