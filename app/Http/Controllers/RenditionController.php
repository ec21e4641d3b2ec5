<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PlanRequest;
use App\Models\StudentCopy;
use App\Support\Performances;
use App\Support\RenditionDocument;
use Illuminate\Http\JsonResponse;

/**
 * A plan in sound, for the player of the desk; it need not be saved.
 */
final class RenditionController
{
    public function __invoke(PlanRequest $request, StudentCopy $copy): JsonResponse
    {
        return response()->json(RenditionDocument::of((new Performances($copy))->of($request->plan())));
    }
}
