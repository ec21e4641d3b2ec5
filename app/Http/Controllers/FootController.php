<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\FootRoundRequest;
use App\Models\CopyLink;
use App\Models\FootRound;
use App\Models\Student;
use App\Models\StudentCopy;
use App\Support\Performances;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;
use Tarnwind\Core\Hear\Trainer\Exercise;
use Tarnwind\Core\Hear\Trainer\ExerciseKind;
use Tarnwind\Core\Hear\Trainer\HardChanges;
use Tarnwind\Core\Hear\Trainer\Round;
use Tarnwind\Core\Performance\Performance;

/**
 * The trainer of the foot: without a score for the teacher, with the changes of a piece for a student.
 */
final class FootController
{
    /** Rounds that are told back. */
    private const TOLD = 60;

    /** For whoever is signed in; nothing is kept. */
    public function show(): Response
    {
        return $this->page(null, route('foot.exercise', [], false), route('foot.round', [], false));
    }

    public function ofCopy(StudentCopy $copy): Response
    {
        return $this->page($copy, route('copies.foot.exercise', $copy, false), route('copies.foot.round', $copy, false));
    }

    public function home(string $secret): Response
    {
        $copy = StudentCopy::query()->with(['piece', 'student'])->findOrFail((CopyLink::of($secret) ?? abort(404))->student_copy_id);

        return $this->page($copy, route('home-copy.foot.exercise', ['secret' => $secret], false), route('home-copy.foot.round', ['secret' => $secret], false), route('home-copy', ['secret' => $secret], false));
    }

    public function exercise(FootRoundRequest $request): JsonResponse
    {
        return response()->json(['exercise' => $request->exercise($this->performance($request))->toArray()]);
    }

    /**
     * What a foot made of it, and how to go on.
     */
    public function round(FootRoundRequest $request): JsonResponse
    {
        $exercise = $request->exercise($this->performance($request));
        $round = Round::of($exercise, $request->foot($exercise));
        [$tempo, $tolerance] = Exercise::next($request->float('tempo'), $request->float('tolerance'), $round->share);
        if ($this->isOfCopy($request)) {
            $student = $request->copy()->student;
            $student->footRounds()->updateOrCreate(['uuid' => $request->string('uuid')->lower()->value()], [
                'exercise' => $exercise->kind->value, 'place' => $exercise->place === '' ? null : $exercise->place, 'day' => $student->teacher->today()->toDateString(),
                'tempo' => $exercise->tempo, 'tolerance' => $exercise->tolerance, 'share' => $round->share, 'lag' => $round->lag, 'gap' => $round->gap, 'smear' => $round->smear, 'by' => $request->route('secret') === null ? 'teacher' : 'student',
            ]);
        }

        return response()->json(['round' => $round->toArray(), 'next' => ['tempo' => round($tempo, 1), 'tolerance' => round($tolerance)]]);
    }

    private function page(?StudentCopy $copy, string $exercise, string $round, ?string $home = null): Response
    {
        return Inertia::render('Foot', [
            'title' => $copy?->piece->title, 'student' => $copy?->student->name, 'back' => $home ?? ($copy === null ? null : route('copies.show', $copy, false)), 'isHome' => $home !== null,
            'exerciseUrl' => $exercise, 'roundUrl' => $round,
            'kinds' => array_map(fn (ExerciseKind $kind): array => ['kind' => $kind->value, 'label' => $kind->label(), 'does' => $kind->does(), 'depth' => $kind->needsDepth()], ExerciseKind::cases()),
            'begin' => ['tempo' => Exercise::TEMPO, 'tolerance' => Exercise::TOLERANCE],
            'hard' => $copy === null ? [] : $this->hard($copy), 'rounds' => $copy === null ? [] : self::rounds($copy->student),
        ]);
    }

    /**
     * @return list<array{first: int, window: float, place: string, tempo: float}>
     */
    private function hard(StudentCopy $copy): array
    {
        $performance = $copy->performance();
        $tempo = round($performance->tempo()->quartersPerMinute() * HardChanges::RATE, 1);

        return array_map(fn (array $one): array => [...$one, 'tempo' => $tempo], HardChanges::of($performance));
    }

    /**
     * @return list<array<string, mixed>>
     */
    private static function rounds(Student $student): array
    {
        return array_values($student->footRounds()->reorder()->latest('id')->limit(self::TOLD)->get()->reverse()->map(fn (FootRound $round): array => $round->listed())->all());
    }

    private function performance(FootRoundRequest $request): ?Performance
    {
        return $this->isOfCopy($request) && $request->filled('first') ? (new Performances($request->copy()))->of($request->copy()->planDocument()) : null;
    }

    private function isOfCopy(Request $request): bool
    {
        return $request->route('copy') !== null || $request->route('secret') !== null;
    }
}
