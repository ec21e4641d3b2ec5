<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\FootRoundRequest;
use App\Models\StudentCopy;
use App\Takes\FootTraining;
use Illuminate\Http\JsonResponse;
use Inertia\Inertia;
use Inertia\Response;

/**
 * The trainer of the foot: for whoever is signed in, where nothing is kept, and for a student with her piece.
 */
final class FootController
{
    public function show(): Response
    {
        return Inertia::render('Foot', [...(new FootTraining)->page(), 'url' => route('foot', [], false), 'back' => route('studio', [], false), 'isHome' => false]);
    }

    public function exercise(FootRoundRequest $request): JsonResponse
    {
        return response()->json(['exercise' => (new FootTraining)->exercise($request)->toArray()]);
    }

    public function round(FootRoundRequest $request): JsonResponse
    {
        return response()->json((new FootTraining)->round($request));
    }

    public function ofCopy(StudentCopy $copy): Response
    {
        return Inertia::render('Foot', [...(new FootTraining($copy))->page(), 'url' => route('copies.foot', $copy, false), 'back' => route('copies.show', ['copy' => $copy, 'view' => 'hear'], false), 'isHome' => false]);
    }

    public function exerciseOfCopy(FootRoundRequest $request, StudentCopy $copy): JsonResponse
    {
        return response()->json(['exercise' => (new FootTraining($copy))->exercise($request)->toArray()]);
    }

    public function roundOfCopy(FootRoundRequest $request, StudentCopy $copy): JsonResponse
    {
        return response()->json((new FootTraining($copy))->round($request));
    }
}
