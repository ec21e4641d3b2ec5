<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Piano;
use App\Models\User;

/**
 * A teacher's adjusted instruments are hers alone.
 */
final class PianoPolicy
{
    public function update(User $teacher, Piano $piano): bool
    {
        return $piano->user_id === $teacher->id;
    }

    public function delete(User $teacher, Piano $piano): bool
    {
        return $this->update($teacher, $piano);
    }
}
