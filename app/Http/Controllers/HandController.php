<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Hand\Alternative;
use Tarnwind\Core\Hand\Alternatives;
use Tarnwind\Core\Hand\Fingering;
use Tarnwind\Core\Hand\HandDocument;
use Tarnwind\Core\Rendition\TempoMap;

/**
 * The fingers for this student's hands, around those the plan sets; nothing is saved.
 */
final class HandController
{
    public function show(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        $plan = $request->plan();
        [$score, $reading] = $copy->piece->readFor($plan);

        return response()->json(HandDocument::of(
            $score, $reading, TempoMap::of($score, $plan->tempo), $copy->student->hands(), $plan->fingersByNote(), $plan->fingering, $copy->student->rates(),
        ));
    }

    /**
     * What each finger would cost at one note.
     */
    public function alternatives(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        $plan = $request->plan();
        [$score, $reading] = $copy->piece->readFor($plan);
        $hands = $copy->student->hands();
        $fingering = Fingering::of($score, $reading, TempoMap::of($score, $plan->tempo), $hands, $plan->fingersByNote(), $plan->fingering);

        return response()->json(array_map(fn (Alternative $one): array => [
            'finger' => $one->finger, 'extra' => $one->extra, 'words' => $one->inWords(), 'follows' => $one->follows,
        ], Alternatives::of($reading, $fingering, $hands, $request->string('note')->toString())));
    }
}
