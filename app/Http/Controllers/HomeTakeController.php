<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CalibrationRequest;
use App\Http\Requests\SimulationRequest;
use App\Http\Requests\TakeRequest;
use App\Models\CopyLink;
use App\Models\Take;
use App\Takes\KeptTake;
use App\Takes\SimulatedPlaying;
use App\Takes\TakeReview;
use Illuminate\Http\JsonResponse;

/**
 * Takes that a student records from her link, and what she is told of them: words and places.
 */
final class HomeTakeController
{
    /** Takes that are shown at home. */
    private const SHOWN = 12;

    public function index(string $secret): JsonResponse
    {
        return response()->json(['takes' => CopyLink::copyOf($secret)->takes()->reorder()->latest('id')->limit(self::SHOWN)->get(Take::LISTED)->map(fn (Take $take): array => $take->listed())->all()]);
    }

    public function store(TakeRequest $request): JsonResponse
    {
        $copy = $request->copy();
        $kept = KeptTake::of($copy, $request->played(), $request->details(), 'student');
        $before = $copy->takes()->where('id', '<', $kept->take->id)->reorder()->latest('id')->first();
        $document = $kept->review->document(null, $before === null ? null : new TakeReview($copy, $before));

        return response()->json(['take' => $kept->take->listed(), 'opens' => $kept->opens, 'verdict' => $document['verdict']]);
    }

    public function calibrate(CalibrationRequest $request): JsonResponse
    {
        return response()->json(['calibration' => $request->keep()->listed()]);
    }

    public function simulate(SimulationRequest $request): JsonResponse
    {
        return response()->json(SimulatedPlaying::of($request->copy(), $request->pianist()));
    }
}
