<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Piece;
use App\Models\User;

/**
 * A teacher's scores are hers alone.
 */
final class PiecePolicy
{
    public function view(User $teacher, Piece $piece): bool
    {
        return $piece->user_id === $teacher->id;
    }

    public function update(User $teacher, Piece $piece): bool
    {
        return $this->view($teacher, $piece);
    }

    public function delete(User $teacher, Piece $piece): bool
    {
        return $this->view($teacher, $piece);
    }
}
