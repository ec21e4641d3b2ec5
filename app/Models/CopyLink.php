<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\HasSecret;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A link by which a student sees her marked copy at home, without an account.
 *
 * @property int $id
 * @property int $student_copy_id
 * @property string $token hash of what the link holds
 * @property Carbon $expires_at
 */
final class CopyLink extends Model
{
    use HasSecret;

    /** Weeks for which a link may be good. */
    public const WEEKS = [4, 12, 52];

    protected $fillable = ['token', 'expires_at'];

    /**
     * @return array{self, string} the link, and what it holds
     */
    public static function to(StudentCopy $copy, int $weeks): array
    {
        $secret = self::secret();

        return [$copy->links()->create(['token' => self::hash($secret), 'expires_at' => now()->addWeeks($weeks)]), $secret];
    }

    /**
     * The copy that a link opens, with its piece, student, teacher and practice; not found where the link is not good.
     */
    public static function copyOf(string $secret): StudentCopy
    {
        $link = self::of($secret) ?? abort(404);

        return StudentCopy::query()->with(['piece', 'student.teacher', 'practiceEntries'])->findOrFail($link->student_copy_id);
    }

    /**
     * @return BelongsTo<StudentCopy, $this>
     */
    public function copy(): BelongsTo
    {
        return $this->belongsTo(StudentCopy::class, 'student_copy_id');
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['expires_at' => 'datetime'];
    }
}
