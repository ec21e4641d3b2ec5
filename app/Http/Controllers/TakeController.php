<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CalibrationRequest;
use App\Http\Requests\SimulationRequest;
use App\Http\Requests\TakeRequest;
use App\Models\StudentCopy;
use App\Models\Take;
use App\Takes\KeptTake;
use App\Takes\SimulatedPlaying;
use App\Takes\TakeReview;
use App\Takes\TakeSound;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Tarnwind\Core\Hear\Mending;
use Tarnwind\Core\Practice\Gates;

/**
 * Takes of a copy: recorded, judged, heard again.
 */
final class TakeController
{
    /** Takes that are judged while a list waits. */
    private const AT_ONCE = 8;

    public function index(StudentCopy $copy): JsonResponse
    {
        // Those that came with a studio have not been judged here yet.
        foreach ($copy->takes()->whereNull('summary')->reorder()->latest('id')->limit(self::AT_ONCE)->get() as $take) {
            $review = new TakeReview($copy, $take);
            $take->update(['summary' => $review->summary($review->document())]);
        }

        return response()->json(['takes' => $copy->takes()->reorder()->latest('created_at')->latest('id')->get(Take::LISTED)->map(fn (Take $take): array => $take->listed())->all()]);
    }

    public function store(TakeRequest $request, StudentCopy $copy): JsonResponse
    {
        $kept = KeptTake::of($request->copy(), $request->played(), $request->details(), 'teacher');

        return response()->json(['take' => $kept->take->listed(), 'opens' => $kept->opens]);
    }

    /**
     * What is said of a take, beside an earlier one where that is asked for, and by the plan of now where that is.
     */
    public function show(Request $request, StudentCopy $copy, Take $take): JsonResponse
    {
        $request->validate(['review' => ['sometimes', Rule::enum(Gates::class)], 'before' => ['sometimes', 'integer'], 'against' => ['sometimes', Rule::in(['then', 'now'])]]);
        $plan = $request->query('against') === 'now' ? $copy->planDocument() : null;
        $review = new TakeReview($copy, $take, $plan);
        $before = $request->has('before') ? new TakeReview($copy, $copy->takes()->findOrFail($request->integer('before')), $plan) : null;
        $document = $review->document($request->enum('review', Gates::class), $before);
        if ($plan === null && ! $request->has('review')) {
            // Limits, level and instrument may be others by now; what is the same is not written.
            $take->update(['summary' => $review->summary($document)]);
        }

        return response()->json(['take' => $take->listed(), 'document' => $document]);
    }

    /**
     * It as it was played, or with one thing mended, for the player.
     */
    public function sound(Request $request, StudentCopy $copy, Take $take): JsonResponse
    {
        $request->validate(['mended' => ['sometimes', Rule::enum(Mending::class)]]);

        return response()->json(TakeSound::of((new TakeReview($copy, $take))->review()->comparison, $request->enum('mended', Mending::class)));
    }

    public function update(Request $request, StudentCopy $copy, Take $take): JsonResponse
    {
        $take->update($request->validate(['name' => ['nullable', 'string', 'max:80']]));

        return response()->json(['take' => $take->listed()]);
    }

    public function destroy(StudentCopy $copy, Take $take): Response
    {
        $take->delete();

        return response()->noContent();
    }

    public function download(StudentCopy $copy, Take $take): Response
    {
        return response($take->file(), 200, ['Content-Type' => 'audio/midi', 'Content-Disposition' => 'attachment; filename="take-'.$take->id.'.mid"']);
    }

    public function simulate(SimulationRequest $request, StudentCopy $copy): JsonResponse
    {
        return response()->json(SimulatedPlaying::of($copy, $request->pianist()));
    }

    /**
     * Gets to know how an instrument tells velocities.
     */
    public function calibrate(CalibrationRequest $request, StudentCopy $copy): JsonResponse
    {
        return response()->json(['calibration' => $request->keep()->listed()]);
    }
}
