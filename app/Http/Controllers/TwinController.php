<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\TwinRequest;
use App\Models\StudentCopy;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Plan\CopiedMarks;
use Tarnwind\Core\Plan\Mark;

/**
 * A plan with the marks of some bars copied onto bars that are like them; nothing is saved.
 */
final class TwinController
{
    public function __invoke(TwinRequest $request, StudentCopy $copy): JsonResponse
    {
        $score = $copy->piece->score();
        $copied = CopiedMarks::of($request->plan(), $score, $request->bars(), $request->onto($score));

        return response()->json([
            'plan' => $copied->plan->toArray(), 'copied' => $copied->copied,
            'lost' => array_count_values(array_map(fn (Mark $mark): string => $mark->inWords(), $copied->lost)),
        ]);
    }
}
