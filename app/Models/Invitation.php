<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Str;

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
    private const DAYS = 14;

    private const LENGTH = 48;

    protected $fillable = ['token', 'note', 'expires_at'];

    /**
     * @return array{self, string} the invitation, and what its link holds
     */
    public static function by(User $teacher, ?string $note): array
    {
        $secret = Str::random(self::LENGTH);
        $invitation = $teacher->invitations()->create(['token' => self::hash($secret), 'note' => $note, 'expires_at' => now()->addDays(self::DAYS)]);

        return [$invitation, $secret];
    }

    /**
     * The one a link belongs to; null for a link that is wrong, used or too old.
     */
    public static function of(string $secret): ?self
    {
        return self::query()->where('token', self::hash($secret))->where('expires_at', '>', now())->first();
    }

    /**
     * @return BelongsTo<User, $this>
     */
    public function teacher(): BelongsTo
    {
        return $this->belongsTo(User::class, 'user_id');
    }

    private static function hash(string $secret): string
    {
        return hash('sha256', $secret);
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['expires_at' => 'datetime'];
    }
}
