<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\LessonRequest;
use App\Models\Holiday;
use App\Models\Student;
use App\Models\User;
use App\Models\WeeklyTime;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/**
 * Weekly times and holidays.
 */
final class TimetableController
{
    public function storeTime(Request $request, Student $student): RedirectResponse
    {
        $student->weeklyTimes()->create($request->validate([
            'weekday' => ['required', 'integer', 'between:0,6'], 'at' => ['required', ...LessonRequest::AT], 'minutes' => ['required', ...LessonRequest::MINUTES],
            'from' => ['required', ...LessonRequest::DAY], 'until' => ['nullable', ...LessonRequest::DAY, 'after_or_equal:from'],
        ]));

        return back();
    }

    /**
     * The last day on which it is; lessons that were given stay.
     */
    public function endTime(Request $request, WeeklyTime $time): RedirectResponse
    {
        $time->update($request->validate(['until' => ['present', 'nullable', ...LessonRequest::DAY]]));

        return back();
    }

    public function destroyTime(WeeklyTime $time): RedirectResponse
    {
        $time->delete();

        return back();
    }

    public function storeHoliday(Request $request): RedirectResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $teacher->holidays()->create($request->validate([
            'name' => ['required', 'string', 'max:80'], 'first' => ['required', ...LessonRequest::DAY], 'last' => ['required', ...LessonRequest::DAY, 'after_or_equal:first'],
        ]));

        return back();
    }

    public function destroyHoliday(Holiday $holiday): RedirectResponse
    {
        $holiday->delete();

        return back();
    }
}
