<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\CountingRequest;
use App\Models\StudentCopy;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Count\Counting;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * How the piece of a copy is counted.
 */
final class CountingController
{
    public function __invoke(CountingRequest $request, StudentCopy $copy): JsonResponse
    {
        $score = $copy->piece->score();
        $counting = Counting::of($score, TempoMap::of($score, $request->tempo()), $request->subdivision(), $copy->student->rates());

        return response()->json($counting->toArray());
    }
}
