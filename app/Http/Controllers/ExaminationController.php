<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Pedal\Examiner;

/**
 * Measures a plan that need not be saved: the whole of it, or a stretch while it is being changed.
 */
final class ExaminationController
{
    public function __invoke(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        $plan = $request->plan();
        $texture = $copy->piece->texture($plan, $copy->student->hands());

        $examination = Examiner::examine(
            $texture, $plan->spans($texture->measures), $copy->student->instrument->decay(), $request->place('from'), $request->place('to'),
        );

        return response()->json(['from' => (string) $examination->from, 'to' => (string) $examination->to, ...$examination->toArray()]);
    }
}
