<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ScoreFileRequest;
use Illuminate\Http\JsonResponse;

/**
 * Says what would be read from a score file; nothing is kept.
 */
final class PieceReadingController
{
    public function __invoke(ScoreFileRequest $request): JsonResponse
    {
        return response()->json($request->stored()->summary());
    }
}
