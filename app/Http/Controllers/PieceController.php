<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ScoreFileRequest;
use App\Models\Piece;
use App\Models\StudentCopy;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Inertia\Inertia;
use Inertia\Response;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Reading\Reading;

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

    /**
     * Gives it to several students at once, each with a fresh plan; those who have it keep theirs.
     */
    public function give(Request $request, Piece $piece): RedirectResponse
    {
        /** @var User $teacher */
        $teacher = $request->user();
        $request->validate(['students' => ['required', 'array', 'max:100'], 'students.*' => ['integer', Rule::exists('students', 'id')->where('user_id', $teacher->id)]]);
        [$score, $reading] = $piece->stored()->read()->whole();
        $plan = Crafts::registry()->freshPlan($score, fn (): Reading => $reading)->toJson();
        foreach (array_unique(array_map(intval(...), $request->array('students'))) as $student) {
            StudentCopy::query()->firstOrCreate(['student_id' => $student, 'piece_id' => $piece->id], ['plan' => $plan, 'revision' => 1]);
        }

        return back();
    }

    public function tags(Request $request, Piece $piece): RedirectResponse
    {
        $request->validate(['tags' => ['present', 'array', 'list', 'max:20'], 'tags.*' => ['string', 'min:1', 'max:40', 'distinct']]);
        $piece->update(['tags' => array_values($request->array('tags'))]);

        return back();
    }

    public function destroy(Piece $piece): RedirectResponse
    {
        $piece->delete();

        return back();
    }
}
