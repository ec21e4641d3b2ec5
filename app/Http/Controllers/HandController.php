<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Hand\Alternative;
use Tarnwind\Core\Hand\Alternatives;
use Tarnwind\Core\Hand\Fingering;
use Tarnwind\Core\Hand\HandAnswer;
use Tarnwind\Core\Hand\Task;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Bars;

/**
 * The fingers for this student's hands, around those the plan sets; nothing is saved.
 */
final class HandController
{
    /**
     * All of them, or quickly those around the bars that were edited.
     */
    public function show(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        [$task, $bars] = $this->task($request->plan(), $copy, $request->bars());

        return response()->json($bars === null ? HandAnswer::of($task) : HandAnswer::stretch($task, $bars));
    }

    /**
     * What each finger would cost at one note.
     */
    public function alternatives(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        [$task] = $this->task($request->plan(), $copy, $request->bars());

        return response()->json(array_map(fn (Alternative $one): array => [
            'finger' => $one->finger, 'extra' => $one->extra, 'words' => $one->inWords(), 'follows' => $one->follows,
        ], Alternatives::of($task, $request->string('note')->toString())));
    }

    /**
     * @return array{Task, ?Bars} of an excerpt, with the bars it answers for, if some bars are asked for
     */
    private function task(Plan $plan, StudentCopy $copy, ?Bars $edited): array
    {
        [$written, $reading, $bars] = $edited === null ? [...$copy->piece->readFor($plan), null] : $copy->piece->readAround($edited, $plan);
        $score = $plan->played($written);
        $tempo = $plan->tempoMap($score);
        $student = $copy->student;
        $fingering = Fingering::of($score, $reading, $tempo, $student->hands(), $plan->fingersByNote(), $plan->fingering);

        return [new Task($score, $reading, $tempo, $fingering, $student->hands(), $student->rates(), $student->piano(), $plan->spans($score->measures)), $bars];
    }
}
