<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ScoreFileRequest;
use App\Models\Piece;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Inertia\Inertia;
use Inertia\Response;

final class PieceController
{
    public function create(): Response
    {
        return Inertia::render('NewPiece');
    }

    public function store(ScoreFileRequest $request): RedirectResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $stored = $request->stored();
        $summary = $stored->summary();
        $title = trim($request->string('title')->toString()) ?: ($summary['title'] ?: 'Untitled piece');
        $teacher->pieces()->create([
            'title' => mb_substr($title, 0, 200), 'part' => $request->part(), 'summary' => $summary, 'musicxml' => $stored->musicxml,
        ]);

        return redirect()->route('studio');
    }

    public function destroy(Piece $piece): RedirectResponse
    {
        $piece->delete();

        return back();
    }
}
