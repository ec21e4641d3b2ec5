<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CopyProgressRequest;
use App\Http\Requests\CopyRequest;
use App\Http\Requests\EngravingRequest;
use App\Http\Requests\PlanRequest;
use App\Models\Piece;
use App\Models\StudentCopy;
use App\Support\AdaptedPlan;
use App\Support\DeskData;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;
use Inertia\Inertia;
use Inertia\Response as Page;
use Symfony\Component\HttpFoundation\StreamedResponse;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Reading\Reading;

/**
 * A student's copy of a piece: the desk and its plan.
 */
final class StudentCopyController
{
    public function store(CopyRequest $request): RedirectResponse
    {
        $piece = Piece::query()->findOrFail($request->integer('piece_id'));
        [$score, $reading] = $piece->stored()->read()->whole();
        $copy = StudentCopy::query()->firstOrCreate(
            ['student_id' => $request->integer('student_id'), 'piece_id' => $piece->id],
            ['plan' => Crafts::registry()->freshPlan($score, fn (): Reading => $reading)->toJson(), 'revision' => 1],
        );

        if ($copy->wasRecentlyCreated && $request->filled('plan_of')) {
            $version = (new AdaptedPlan($copy))->from(StudentCopy::query()->findOrFail($request->integer('plan_of')));

            return redirect()->route('copies.show', [$copy, 'compared' => $version->id]);
        }

        return redirect()->route($copy->wasRecentlyCreated ? 'copies.portrait' : 'copies.show', $copy);
    }

    public function show(StudentCopy $copy): Page
    {
        return Inertia::render('Desk', DeskData::of($copy));
    }

    /**
     * The score to be engraved: all of it, or its first bars, which are soon seen.
     */
    public function engraving(EngravingRequest $request, StudentCopy $copy): Response
    {
        return response($copy->piece->stored()->engraving($request->bars() !== null), 200, ['Content-Type' => 'application/vnd.recordare.musicxml+xml']);
    }

    public function plan(StudentCopy $copy): JsonResponse
    {
        return response()->json(['plan' => $copy->planDocument()->toArray(), 'revision' => $copy->revision]);
    }

    /**
     * The plan as it was kept before parts of it could not be read.
     */
    public function unreadablePlan(StudentCopy $copy): StreamedResponse
    {
        $kept = $copy->unreadablePlan() ?? abort(404);

        return response()->streamDownload(fn () => print $kept, 'plan-as-kept.json', ['Content-Type' => 'application/json']);
    }

    /**
     * Saves a plan made on the latest revision; on an older one it is refused and the newer one stays.
     */
    public function update(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        $based = $request->integer('revision');
        if (! $copy->replacePlan($request->planFor($copy->piece->score(...)), $based)) {
            return response()->json(['message' => 'This copy has been changed elsewhere in the meantime.', 'revision' => $copy->fresh()?->revision], 409);
        }

        return response()->json(['revision' => $based + 1]);
    }

    /**
     * How far it is: what is sent of it. The plan stays as it is.
     */
    public function progress(CopyProgressRequest $request, StudentCopy $copy): JsonResponse
    {
        $copy->update($request->validated());

        return response()->json($copy->progress());
    }

    public function destroy(StudentCopy $copy): RedirectResponse
    {
        $copy->delete();

        return redirect()->route('studio');
    }
}
