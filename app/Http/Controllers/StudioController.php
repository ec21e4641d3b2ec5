<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Lessons\ListedLesson;
use App\Lessons\Timetable;
use App\Models\Piano;
use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Models\User;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;
use Tarnwind\Core\Calendar\Day;
use Tarnwind\Core\Sound\Instrument;

/**
 * The teacher's students and pieces.
 */
final class StudioController
{
    /** Days of lessons that are shown after today. */
    private const AHEAD = 6;

    public function __invoke(Request $request): Response
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $students = $teacher->students()->orderBy('name')
            ->with(['adjusted', 'copies' => fn ($copies) => $copies->latest('updated_at'), 'copies.piece' => fn ($piece) => $piece->select(Piece::LISTED)])->get();

        $today = Day::of($teacher->today()->toDateString());

        return Inertia::render('Studio', [
            'today' => Day::date($today),
            'agenda' => array_map(fn (ListedLesson $lesson): array => $lesson->toArray(), (new Timetable($teacher))->between($today, $today + self::AHEAD)),
            'students' => $students->map(fn (Student $student): array => [
                'id' => $student->id, ...$student->only(Student::DETAILS), 'instrumentLabel' => $student->instrumentLabel(),
                'copies' => $student->copies->map(fn (StudentCopy $copy): array => [
                    'id' => $copy->id, 'title' => $copy->piece->title, 'piece' => $copy->piece_id, 'revision' => $copy->revision, ...$copy->progress(),
                ])->all(),
            ])->all(),
            'pieces' => $teacher->pieces()->select(Piece::LISTED)->orderBy('title')->get()->map(fn (Piece $piece): array => [
                'id' => $piece->id, 'title' => $piece->title, 'summary' => $piece->summary, 'tags' => $piece->tags ?? [],
            ])->all(),
            'instruments' => array_map(fn (Instrument $instrument): array => [
                'value' => $instrument->value, 'label' => $instrument->label(), 'profile' => get_object_vars($instrument->profile()),
            ], Instrument::cases()),
            'pianos' => $teacher->pianos()->orderBy('name')->get()->map(fn (Piano $piano): array => ['id' => $piano->id, ...$piano->only(Piano::DETAILS)])->all(),
        ]);
    }
}
