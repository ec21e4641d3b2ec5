<?php

declare(strict_types=1);

namespace App\Lessons;

use App\Models\Lesson;
use App\Models\LessonPoint;
use App\Models\LessonStatus;
use App\Models\PointKind;
use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Calendar\Slot;

/**
 * A lesson in a timetable.
 */
final readonly class ListedLesson
{
    /**
     * @param  ?int  $id  null where only the weekly time has it
     * @param  ?int  $weekly  id of its weekly time
     * @param  ?int  $slot  the day on which the weekly time has it
     * @param  string  $name  of the student
     * @param  string  $at  as 16:30
     * @param  ?string  $holiday  for which it does not take place
     * @param  ?int  $makesUp  the day of the lesson in whose place it is given
     * @param  list<string>  $hear  what is to be heard in it
     */
    private function __construct(
        public ?int $id,
        public ?int $weekly,
        public ?int $slot,
        public int $student,
        public string $name,
        public int $day,
        public string $at,
        public int $minutes,
        public LessonStatus $status,
        public ?string $holiday,
        public ?int $makesUp,
        public array $hear,
    ) {
    }

    public static function weekly(Slot $slot, int $student, string $name): self
    {
        return new self(null, (int) $slot->time->key, $slot->day, $student, $name, $slot->day, $slot->time->at, $slot->time->minutes, LessonStatus::Planned, $slot->holiday?->name, null, []);
    }

    /**
     * @param  Lesson  $lesson  with its points
     */
    public static function of(Lesson $lesson, string $name): self
    {
        return new self(
            $lesson->id, $lesson->weekly_time_id, $lesson->slot === null ? null : Day::of($lesson->slot->toDateString()), $lesson->student_id, $name, Day::of($lesson->day->toDateString()),
            $lesson->at, $lesson->minutes, $lesson->status, null, $lesson->madeUp === null ? null : Day::of($lesson->madeUp->day->toDateString()),
            array_values($lesson->points->filter(fn (LessonPoint $point): bool => $point->kind === PointKind::Hear)->map(fn (LessonPoint $point): string => $point->text)->all()),
        );
    }

    public function takesPlace(): bool
    {
        return $this->holiday === null && $this->status !== LessonStatus::CalledOff;
    }

    /**
     * The same for a lesson before and after something is noted of it.
     */
    public function uid(): string
    {
        return $this->weekly === null || $this->slot === null ? "lesson-$this->id@tarnwind" : "weekly-$this->weekly-".Day::date($this->slot).'@tarnwind';
    }

    /**
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'weekly' => $this->weekly, 'slot' => $this->slot === null ? null : Day::date($this->slot), 'student' => $this->student, 'name' => $this->name,
            'day' => Day::date($this->day), 'at' => $this->at, 'minutes' => $this->minutes, 'status' => $this->status->value, 'holiday' => $this->holiday,
            'makes_up' => $this->makesUp === null ? null : Day::date($this->makesUp), 'hear' => $this->hear,
        ];
    }
}
