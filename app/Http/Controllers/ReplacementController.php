<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ScoreFileRequest;
use App\Models\Piece;
use App\Support\Replacement;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Inertia\Inertia;
use Inertia\Response as Page;

/**
 * A corrected file for a piece that students already have: compared first, then put in place.
 */
final class ReplacementController
{
    public function create(Piece $piece): Page
    {
        return Inertia::render('CorrectedFile', ['piece' => ['id' => $piece->id, 'title' => $piece->title, 'part' => $piece->part]]);
    }

    public function preview(ScoreFileRequest $request, Piece $piece): JsonResponse
    {
        return response()->json((new Replacement($piece, $request->stored($piece->part)))->preview());
    }

    public function store(ScoreFileRequest $request, Piece $piece): RedirectResponse
    {
        (new Replacement($piece, $request->stored($piece->part)))->apply();

        return redirect()->route('studio');
    }
}
