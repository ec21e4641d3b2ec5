<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * A lesson, as soon as something is noted of it or it is otherwise than the weekly time has it; others are only in the
 * timetable.
 *
 * @property int $id
 * @property int $student_id
 * @property ?int $weekly_time_id
 * @property ?Carbon $slot the day on which the weekly time has it
 * @property ?int $makes_up_id the lesson in whose place it is given
 * @property Carbon $day
 * @property string $at as 16:30
 * @property int $minutes
 * @property LessonStatus $status
 * @property ?string $notes
 * @property-read Student $student
 * @property-read Collection<int, LessonPoint> $points
 * @property-read ?Lesson $madeUp
 */
final class Lesson extends Model
{
    /** What a teacher changes of it. */
    public const DETAILS = ['day', 'at', 'minutes', 'status', 'notes'];

    protected $fillable = [...self::DETAILS, 'weekly_time_id', 'slot', 'makes_up_id'];

    protected $attributes = ['status' => 'planned'];

    /**
     * @return BelongsTo<Student, $this>
     */
    public function student(): BelongsTo
    {
        return $this->belongsTo(Student::class);
    }

    /**
     * @return HasMany<LessonPoint, $this>
     */
    public function points(): HasMany
    {
        return $this->hasMany(LessonPoint::class)->orderBy('id');
    }

    /**
     * The lesson in whose place it is given.
     *
     * @return BelongsTo<Lesson, $this>
     */
    public function madeUp(): BelongsTo
    {
        return $this->belongsTo(self::class, 'makes_up_id');
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['slot' => 'date', 'day' => 'date', 'status' => LessonStatus::class];
    }
}
