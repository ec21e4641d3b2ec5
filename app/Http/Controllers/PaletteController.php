<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PaletteRequest;
use App\Models\Palette;
use App\Models\User;
use Illuminate\Http\JsonResponse;

/**
 * The words a teacher has at hand, as she calls things.
 */
final class PaletteController
{
    public function update(PaletteRequest $request, Palette $palette): JsonResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $teacher->update(['palettes' => [...$teacher->palettes ?? [], $palette->value => $request->validated('words')]]);

        return response()->json(['words' => $teacher->palette($palette)]);
    }
}
