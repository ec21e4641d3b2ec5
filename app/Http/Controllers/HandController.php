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
use Tarnwind\Core\Plan\Plan;

/**
 * The fingers for this student's hands, around those the plan sets; nothing is saved.
 */
final class HandController
{
    public function show(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        return response()->json(HandDocument::of($this->task($request->plan(), $copy)));
    }

    /**
     * What each finger would cost at one note.
     */
    public function alternatives(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        return response()->json(array_map(fn (Alternative $one): array => [
            'finger' => $one->finger, 'extra' => $one->extra, 'words' => $one->inWords(), 'follows' => $one->follows,
        ], Alternatives::of($this->task($request->plan(), $copy), $request->string('note')->toString())));
    }

    private function task(Plan $plan, StudentCopy $copy): Task
    {
        [$written, $reading] = $copy->piece->readFor($plan);
        $score = $plan->played($written);
        $tempo = $plan->tempoMap($score);
        $student = $copy->student;
        $fingering = Fingering::of($score, $reading, $tempo, $student->hands(), $plan->fingersByNote(), $plan->fingering);

        return new Task($score, $reading, $tempo, $fingering, $student->hands(), $student->rates(), $student->piano(), $plan->spans($score->measures));
    }
}
