<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Read\ReadAnswer;

/**
 * What the score means, with what the plan reads otherwise; nothing is saved.
 */
final class ReadingController
{
    public function __invoke(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        [$score, $reading] = $copy->piece->readFor($request->plan());

        return response()->json(ReadAnswer::of($score, $reading));
    }
}
