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
        $hands = $copy->student->hands();
        [$from, $to] = [$request->place('from'), $request->place('to')];
        $texture = $from === null || $to === null ? $copy->piece->texture($plan, $hands) : $copy->piece->textureAround($plan, $hands, $from, $to);
        $examination = Examiner::examine($texture, $plan->spans($texture->measures), $copy->student->instrument->decay(), $from, $to);

        return response()->json(['from' => (string) $examination->from, 'to' => (string) $examination->to, ...$examination->toArray()]);
    }
}
