<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use App\Support\Performances;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Crafts;

/**
 * A plan with what a craft suggests in it, around the teacher's own marks, and what the craft says of that; nothing is
 * saved.
 */
final class SuggestionController
{
    public function __invoke(PlanRequest $request, StudentCopy $copy, string $craft): JsonResponse
    {
        $suggestion = Crafts::registry()->suggestion($craft) ?? abort(404);
        $performances = new Performances($copy);
        $plan = $suggestion->suggest($performances->of($request->plan()));

        return response()->json(['plan' => $plan->toArray(), 'answer' => Crafts::registry()->answer($craft, $performances->of($plan))]);
    }
}
