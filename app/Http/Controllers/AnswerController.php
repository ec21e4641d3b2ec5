<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use App\Support\Performances;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use Tarnwind\Core\Craft\InvalidQuestion;
use Tarnwind\Core\Crafts;

/**
 * What a craft says of a plan that need not be saved: of all of it, or quickly of what is around some bars.
 */
final class AnswerController
{
    public function __invoke(PlanRequest $request, StudentCopy $copy, string $answer): JsonResponse
    {
        $class = Crafts::registry()->answers()[$answer] ?? abort(404);
        [$plan, $asked, $excerpt] = [$request->plan(), $request->asked(), $class::excerpt()];
        $performances = new Performances($copy);
        [$performance, $question] = $asked->bars === null || $excerpt === null
            ? [$performances->of($plan), $asked->aboutAll()] : $performances->around($asked->bars, $plan, $excerpt, $asked);
        try {
            return response()->json($class::of($performance, $question));
        } catch (InvalidQuestion $error) {
            throw ValidationException::withMessages(['asked' => $error->getMessage()]);
        }
    }
}
