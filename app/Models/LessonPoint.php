<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Something to hear, noted, or agreed in a lesson, perhaps at a bar of a piece.
 *
 * @property int $id
 * @property int $lesson_id
 * @property ?int $student_copy_id
 * @property ?string $measure id of the bar
 * @property PointKind $kind
 * @property string $text
 * @property ?Carbon $settled_on
 * @property-read Lesson $lesson
 * @property-read ?StudentCopy $copy
 */
final class LessonPoint extends Model
{
    /** More than a lesson has. */
    public const MOST = 100;

    public const DETAILS = ['student_copy_id', 'measure', 'kind', 'text', 'settled_on'];

    protected $fillable = self::DETAILS;

    /**
     * @return BelongsTo<Lesson, $this>
     */
    public function lesson(): BelongsTo
    {
        return $this->belongsTo(Lesson::class);
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
        return ['kind' => PointKind::class, 'settled_on' => 'date'];
    }
}
