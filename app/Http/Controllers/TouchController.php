<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Touch\TouchDocument;

/**
 * How long each key is held under a plan, and what the pedal makes of it; nothing is saved.
 */
final class TouchController
{
    public function __invoke(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        $plan = $request->plan();
        [$written, $reading] = $copy->piece->readFor($plan);

        return response()->json(TouchDocument::of($written, $plan->played($written), $reading, $plan));
    }
}
