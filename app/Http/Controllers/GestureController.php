<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\GesturesRequest;
use App\Models\User;
use Illuminate\Http\JsonResponse;

/**
 * The gestures a teacher asks for, as she calls them.
 */
final class GestureController
{
    public function update(GesturesRequest $request): JsonResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $teacher->update(['gestures' => $request->validated('gestures')]);

        return response()->json(['gestures' => $teacher->gesturePalette()]);
    }
}
