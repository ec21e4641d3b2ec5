<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\LessonPointRequest;
use App\Http\Requests\LessonRequest;
use App\Lessons\ListedLesson;
use App\Lessons\Timetable;
use App\Models\Holiday;
use App\Models\Lesson;
use App\Models\LessonPoint;
use App\Models\PointKind;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use App\Models\WeeklyTime;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Inertia\Inertia;
use Inertia\Response as Page;
use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Calendar\ICalendar;
use Tarnwind\Core\Score\Measure;

/**
 * Lessons: when they are, what is heard in them, what is noted and agreed.
 */
final class LessonController
{
    private const WEEK = 7;

    /** Days of a calendar file before today and after. */
    private const BEFORE = 28;

    private const AFTER = 183;

    public function index(Request $request): Page
    {
        $request->validate(['week' => ['nullable', ...LessonRequest::DAY]]);
        $teacher = self::teacher($request);
        $day = Day::of($request->filled('week') ? $request->string('week')->value() : $teacher->today()->toDateString());
        $monday = $day - Day::weekday($day);

        return Inertia::render('Lessons', [
            'monday' => Day::date($monday), 'today' => $teacher->today()->toDateString(),
            'lessons' => array_map(fn (ListedLesson $lesson): array => $lesson->toArray(), (new Timetable($teacher))->between($monday, $monday + self::WEEK - 1)),
            'students' => $teacher->students()->with('weeklyTimes')->orderBy('name')->get()->map(fn (Student $student): array => [
                'id' => $student->id, 'name' => $student->name, 'times' => $student->weeklyTimes->map(fn (WeeklyTime $time): array => $time->listed())->all(),
            ])->all(),
            'holidays' => $teacher->holidays()->orderBy('first')->get()->map(fn (Holiday $holiday): array => $holiday->listed())->all(),
        ]);
    }

    public function calendar(Request $request): Response
    {
        $teacher = self::teacher($request);
        $today = Day::of($teacher->today()->toDateString());
        $calendar = ICalendar::write((new Timetable($teacher))->events($today - self::BEFORE, $today + self::AFTER), "Lessons, $teacher->name", now()->getTimestamp());

        return response($calendar, 200, ['Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => 'attachment; filename="lessons.ics"']);
    }

    /**
     * A lesson that a weekly time has, as soon as it is opened, or one besides.
     */
    public function store(LessonRequest $request): RedirectResponse
    {
        $student = Student::query()->findOrFail($request->integer('student_id'));
        /** @var array<string, mixed> $values */
        $values = $request->safe()->except('student_id');
        $lesson = $request->filled('weekly_time_id')
            ? $student->lessons()->firstOrCreate(['weekly_time_id' => $request->integer('weekly_time_id'), 'slot' => $request->date('slot')], $values)
            : $student->lessons()->create([...$values, 'slot' => null]);

        return redirect()->route('lessons.show', $lesson);
    }

    public function show(Lesson $lesson): Page
    {
        $lesson->load(['points', 'madeUp']);
        $student = $lesson->student;
        $next = (new Timetable($student->teacher, $student))->nextAfter(Day::of($lesson->day->toDateString()), $lesson->at);
        $copies = $student->copies()->with('piece')->orderBy('id')->get();

        return Inertia::render('Lesson', [
            'lesson' => ListedLesson::of($lesson, $student->name)->toArray(), 'notes' => $lesson->notes ?? '',
            'points' => $lesson->points->map(fn (LessonPoint $point): array => self::point($point))->all(),
            'open' => $this->open($lesson)->map(fn (LessonPoint $point): array => [...self::point($point), 'since' => $point->lesson->day->toDateString()])->values()->all(),
            'pieces' => $copies->map(fn (StudentCopy $copy): array => [
                'copy' => $copy->id, 'title' => $copy->piece->title, ...$copy->progress(),
                'bars' => array_map(fn (Measure $measure): array => ['id' => $measure->id, 'number' => $measure->number], $copy->piece->score()->measures),
            ])->all(),
            'next' => $next?->toArray(),
        ]);
    }

    public function update(LessonRequest $request, Lesson $lesson): RedirectResponse
    {
        $lesson->update($request->validated());

        return back();
    }

    public function destroy(Lesson $lesson): RedirectResponse
    {
        $lesson->delete();

        return redirect()->route('lessons');
    }

    public function storePoint(LessonPointRequest $request, Lesson $lesson): JsonResponse
    {
        return response()->json(['point' => self::point($lesson->points()->create($request->details())->refresh())]);
    }

    public function updatePoint(LessonPointRequest $request, LessonPoint $point): JsonResponse
    {
        $point->update($request->details());

        return response()->json(['point' => self::point($point)]);
    }

    public function destroyPoint(LessonPoint $point): Response
    {
        $point->delete();

        return response()->noContent();
    }

    /**
     * What was agreed in earlier lessons and is not settled, or was settled on the day of this one.
     *
     * @return \Illuminate\Database\Eloquent\Collection<int, LessonPoint>
     */
    private function open(Lesson $lesson)
    {
        return LessonPoint::query()->with('lesson')->where('kind', PointKind::Agreed)
            ->whereHas('lesson', fn ($lessons) => $lessons->where('student_id', $lesson->student_id)->whereDate('day', '<', $lesson->day))
            ->where(fn ($points) => $points->whereNull('settled_on')->orWhereDate('settled_on', $lesson->day))->orderBy('id')->get();
    }

    /**
     * @return array<string, mixed>
     */
    private static function point(LessonPoint $point): array
    {
        return ['id' => $point->id, 'copy' => $point->student_copy_id, 'measure' => $point->measure, 'kind' => $point->kind->value, 'text' => $point->text, 'settled' => $point->settled_on !== null];
    }

    private static function teacher(Request $request): User
    {
        /** @var User */
        return $request->user();
    }
}
