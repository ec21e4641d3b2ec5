<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Hand\HandDocument;
use Tarnwind\Core\Rendition\TempoMap;

/**
 * The fingers for this student's hands, around those the plan sets; nothing is saved.
 */
final class HandController
{
    public function __invoke(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        $plan = $request->plan();
        $preparation = $copy->piece->preparation($plan);

        return response()->json(HandDocument::of(
            $preparation->score, $preparation->reading, TempoMap::of($preparation->score, $plan->tempo), $copy->student->hands(), $plan->fingersByNote(),
        ));
    }
}
