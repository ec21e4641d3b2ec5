<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Pedal\Examiner;

/**
 * A plan with its school's suggestion in it, around the teacher's own marks; nothing is saved.
 */
final class SuggestionController
{
    public function __invoke(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        $plan = $request->plan();
        $decay = $copy->student->instrument->decay();
        $preparation = $copy->piece->preparation($plan, $copy->student->hands());
        $suggested = $preparation->suggest($plan->school, $decay, $copy->student->half_pedal);
        $plan = $plan->withSuggestion($preparation->score, $plan->school, $suggested);

        return response()->json([
            'plan' => $plan->toArray(),
            'examination' => Examiner::examine($preparation->texture, $plan->spans($preparation->score->measures), $decay)->toArray(),
        ]);
    }
}
