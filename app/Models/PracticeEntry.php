<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Practice\Done;

/**
 * What was practised of a step on a day, told by the student or her teacher.
 *
 * @property int $id
 * @property int $student_copy_id
 * @property string $uuid made where it is written, so that it comes once however often it is sent
 * @property string $step id of the step, or of a review
 * @property Carbon $day
 * @property int $minutes
 * @property ?float $tempo quarters a minute that were reached
 * @property ?Feel $feel
 * @property bool $passed whether what opens the next step was reached
 * @property string $by "student" or "teacher"
 * @property ?string $note
 */
final class PracticeEntry extends Model
{
    public const DETAILS = ['uuid', 'step', 'day', 'minutes', 'tempo', 'feel', 'passed', 'note'];

    protected $fillable = [...self::DETAILS, 'by'];

    /**
     * @return BelongsTo<StudentCopy, $this>
     */
    public function copy(): BelongsTo
    {
        return $this->belongsTo(StudentCopy::class, 'student_copy_id');
    }

    public function done(): Done
    {
        return new Done($this->step, Day::of($this->day->toDateString()), $this->minutes, $this->passed, $this->tempo);
    }

    /**
     * @return array<string, mixed>
     */
    public function listed(): array
    {
        return [
            'id' => $this->id, 'step' => $this->step, 'day' => $this->day->toDateString(), 'minutes' => $this->minutes, 'tempo' => $this->tempo,
            'feel' => $this->feel?->value, 'passed' => $this->passed, 'by' => $this->by, 'note' => $this->note,
        ];
    }

    /**
     * @return array<string, string>
     */
    protected function casts(): array
    {
        return ['day' => 'date', 'tempo' => 'float', 'feel' => Feel::class, 'passed' => 'boolean'];
    }
}
