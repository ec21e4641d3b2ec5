<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Calendar\WeeklyTime as Weekly;

/**
 * A time at which a student has her lesson every week.
 *
 * @property int $id
 * @property int $student_id
 * @property int $weekday 0 for Monday to 6 for Sunday
 * @property string $at as 16:30
 * @property int $minutes
 * @property Carbon $from
 * @property ?Carbon $until
 * @property-read Student $student
 */
final class WeeklyTime extends Model
{
    public const DETAILS = ['weekday', 'at', 'minutes', 'from', 'until'];

    protected $fillable = self::DETAILS;

    /**
     * @return BelongsTo<Student, $this>
     */
    public function student(): BelongsTo
    {
        return $this->belongsTo(Student::class);
    }

    public function weekly(): Weekly
    {
        return new Weekly((string) $this->id, $this->weekday, $this->at, $this->minutes, Day::of($this->from->toDateString()), $this->until === null ? null : Day::of($this->until->toDateString()));
    }

    /**
     * @return array<string, mixed>
     */
    public function listed(): array
    {
        return ['id' => $this->id, 'weekday' => $this->weekday, 'at' => $this->at, 'minutes' => $this->minutes, 'from' => $this->from->toDateString(), 'until' => $this->until?->toDateString()];
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['from' => 'date', 'until' => 'date'];
    }
}
