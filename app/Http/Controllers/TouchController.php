<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Touch\TouchAnswer;

/**
 * How long each key is held under a plan, and what the pedal makes of it, everywhere or quickly around the bars that
 * were edited; nothing is saved.
 */
final class TouchController
{
    public function __invoke(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        $plan = $request->plan();
        $edited = $request->bars();
        [$written, $reading, $bars] = $edited === null ? [...$copy->piece->readFor($plan), null] : $copy->piece->readAround($edited, $plan);

        return response()->json(TouchAnswer::of($written, $plan->played($written), $reading, $plan, $bars));
    }
}
