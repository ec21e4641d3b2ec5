<?php

declare(strict_types=1);

namespace App\Lessons;

use App\Models\Holiday;
use App\Models\Lesson;
use App\Models\LessonStatus;
use App\Models\Student;
use App\Models\User;
use App\Models\WeeklyTime;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Calendar\Event;
use Tarnwind\Core\Calendar\Weeks;

/**
 * A teacher's lessons over some days: those her weekly times make, and those that are otherwise.
 */
final readonly class Timetable
{
    public function __construct(private User $teacher, private ?Student $student = null)
    {
    }

    /**
     * @param  int  $from  the first day
     * @param  int  $to  the last
     * @return list<ListedLesson> by day and time
     */
    public function between(int $from, int $to): array
    {
        /** @var array<int, string> $names by student */
        $names = $this->student === null ? $this->teacher->students()->pluck('name', 'id')->all() : [$this->student->id => $this->student->name];
        $times = WeeklyTime::query()->whereIn('student_id', array_keys($names))->get()->keyBy('id');
        $holidays = array_values($this->teacher->holidays()->get()->map(fn (Holiday $holiday) => $holiday->days())->all());
        /** @var Collection<int, Lesson> $lessons */
        $lessons = Lesson::query()->with(['points', 'madeUp'])->whereIn('student_id', array_keys($names))
            ->where(fn (Builder $either) => $either->where(fn (Builder $days) => self::within($days, 'day', $from, $to))->orWhere(fn (Builder $days) => self::within($days, 'slot', $from, $to)))->get();
        $moved = [];
        foreach ($lessons as $lesson) {
            if ($lesson->weekly_time_id !== null && $lesson->slot !== null) {
                $moved["$lesson->weekly_time_id {$lesson->slot->toDateString()}"] = true;
            }
        }
        $listed = [];
        foreach (Weeks::slots(array_values($times->map(fn (WeeklyTime $time) => $time->weekly())->all()), $holidays, $from, $to) as $slot) {
            if (! isset($moved["{$slot->time->key} ".Day::date($slot->day)])) {
                $student = $times[(int) $slot->time->key]->student_id ?? 0;
                $listed[] = ListedLesson::weekly($slot, $student, $names[$student] ?? '');
            }
        }
        foreach ($lessons as $lesson) {
            $day = Day::of($lesson->day->toDateString());
            if ($day >= $from && $day <= $to) {
                $listed[] = ListedLesson::of($lesson, $names[$lesson->student_id] ?? '');
            }
        }
        usort($listed, fn (ListedLesson $a, ListedLesson $b): int => [$a->day, $a->at, $a->name] <=> [$b->day, $b->at, $b->name]);

        return $listed;
    }

    /**
     * The next lesson of a student after a day and time that takes place; null where none is known for half a year.
     */
    public function nextAfter(int $day, string $at): ?ListedLesson
    {
        foreach ($this->between($day, $day + 183) as $lesson) {
            if ($lesson->takesPlace() && ($lesson->day > $day || $lesson->at > $at)) {
                return $lesson;
            }
        }

        return null;
    }

    /**
     * @return list<Event> for a calendar
     */
    public function events(int $from, int $to): array
    {
        return array_map(fn (ListedLesson $lesson): Event => new Event(
            $lesson->uid(), $lesson->day, $lesson->at, $lesson->minutes, "Lesson: $lesson->name", implode("\n", $lesson->hear), $lesson->status === LessonStatus::CalledOff,
        ), array_values(array_filter($this->between($from, $to), fn (ListedLesson $lesson): bool => $lesson->holiday === null)));
    }

    /**
     * @param  Builder<Lesson>  $lessons
     * @return Builder<Lesson>
     */
    private static function within(Builder $lessons, string $column, int $from, int $to): Builder
    {
        return $lessons->whereDate($column, '>=', Day::date($from))->whereDate($column, '<=', Day::date($to));
    }
}
