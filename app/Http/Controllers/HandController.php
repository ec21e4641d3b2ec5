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
use Tarnwind\Core\Hand\Task;

/**
 * The fingers for this student's hands, around those the plan sets; nothing is saved.
 */
final class HandController
{
    public function show(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        $plan = $request->plan();
        [$written, $reading] = $copy->piece->readFor($plan);
        $score = $plan->played($written);

        $student = $copy->student;
        $fingering = Fingering::of($score, $reading, $plan->tempoMap($score), $student->hands(), $plan->fingersByNote(), $plan->fingering);

        return response()->json(HandDocument::of(new Task(
            $score, $reading, $plan->tempoMap($score), $fingering, $student->hands(), $student->rates(), $student->piano(), $plan->spans($score->measures),
        )));
    }

    /**
     * What each finger would cost at one note.
     */
    public function alternatives(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        $plan = $request->plan();
        [$written, $reading] = $copy->piece->readFor($plan);
        $score = $plan->played($written);
        $hands = $copy->student->hands();
        $fingering = Fingering::of($score, $reading, $plan->tempoMap($score), $hands, $plan->fingersByNote(), $plan->fingering);

        return response()->json(array_map(fn (Alternative $one): array => [
            'finger' => $one->finger, 'extra' => $one->extra, 'words' => $one->inWords(), 'follows' => $one->follows,
        ], Alternatives::of($reading, $fingering, $hands, $request->string('note')->toString())));
    }
}
