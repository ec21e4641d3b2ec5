<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\StudentRequest;
use App\Models\Student;
use App\Models\User;
use App\Support\StudentProfile;
use Illuminate\Http\RedirectResponse;
use Inertia\Inertia;
use Inertia\Response;

final class StudentController
{
    public function store(StudentRequest $request): RedirectResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $teacher->students()->create($request->validated());

        return back();
    }

    public function show(Student $student): Response
    {
        return Inertia::render('Student', [
            'student' => ['id' => $student->id, ...$student->only(Student::DETAILS), 'instrument' => $student->instrumentLabel()],
            'pieces' => StudentProfile::of($student),
        ]);
    }

    public function update(StudentRequest $request, Student $student): RedirectResponse
    {
        $student->update($request->validated());

        return back();
    }

    public function destroy(Student $student): RedirectResponse
    {
        $student->delete();

        return back();
    }
}
