<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasSecret;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A link by which one more teacher may make an account, once. Only its hash is kept.
 *
 * @property int $id
 * @property int $user_id
 * @property string $token hash of what the link holds
 * @property ?string $note whom it is for, in the words of her who invites
 * @property Carbon $expires_at
 * @property-read User $teacher
 */
final class Invitation extends Model
{
    use HasSecret;

    private const DAYS = 14;

    protected $fillable = ['token', 'note', 'expires_at'];

    /**
     * @return array{self, string} the invitation, and what its link holds
     */
    public static function by(User $teacher, ?string $note): array
    {
        $secret = self::secret();
        $invitation = $teacher->invitations()->create(['token' => self::hash($secret), 'note' => $note, 'expires_at' => now()->addDays(self::DAYS)]);

        return [$invitation, $secret];
    }

    /**
     * @return BelongsTo<User, $this>
     */
    public function teacher(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['expires_at' => 'datetime'];
    }
}
