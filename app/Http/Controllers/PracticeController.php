<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PracticeEntryRequest;
use App\Http\Requests\PracticeMinutesRequest;
use App\Models\PracticeEntry;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Practice\StudentPractice;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;
use Inertia\Inertia;
use Inertia\Response as Page;

/**
 * What a student practises, day by day, and what she did.
 */
final class PracticeController
{
    /** Days that the teacher sees ahead. */
    private const AHEAD = 14;

    public function show(Student $student): Page
    {
        $practice = new StudentPractice($student);

        return Inertia::render('Practice', [
            'student' => $student->only(['id', 'name']), 'minutes' => $practice->minutes(), 'today' => $student->teacher->today()->toDateString(),
            'days' => $practice->days(count: self::AHEAD), 'pieces' => $practice->outlook(),
        ]);
    }

    public function minutes(PracticeMinutesRequest $request, Student $student): RedirectResponse
    {
        $student->update(['practice_minutes' => $request->minutes()]);

        return back();
    }

    public function store(PracticeEntryRequest $request, StudentCopy $copy): JsonResponse
    {
        return response()->json(['entry' => $request->entry('teacher')->listed()]);
    }

    public function destroy(StudentCopy $copy, PracticeEntry $practiceEntry): Response
    {
        $practiceEntry->delete();

        return response()->noContent();
    }

    /**
     * What goes home on paper.
     */
    public function takeHome(StudentCopy $copy): Page
    {
        $practice = new StudentPractice($copy->student);

        return Inertia::render('TakeHome', [
            'title' => $copy->piece->title, 'student' => $copy->student->name, 'back' => route('copies.show', $copy, false),
            'progress' => $copy->progress(), 'isPractised' => isset($practice->pieces[$copy->id]), 'days' => $practice->days($copy->id),
        ]);
    }
}
