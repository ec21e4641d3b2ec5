<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Invitation;
use App\Models\User;

/**
 * An invitation belongs to the teacher who made it.
 */
final class InvitationPolicy
{
    public function delete(User $teacher, Invitation $invitation): bool
    {
        return $invitation->user_id === $teacher->id;
    }
}
