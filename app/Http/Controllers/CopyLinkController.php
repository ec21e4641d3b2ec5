<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\CopyLink;
use App\Models\StudentCopy;
use App\Support\MarkedSheet;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Inertia\Inertia;
use Inertia\Response as Page;

/**
 * Links by which a student sees her marked copy at home, and what they show.
 */
final class CopyLinkController
{
    public function store(Request $request, StudentCopy $copy): JsonResponse
    {
        $request->validate(['weeks' => ['required', 'integer', Rule::in(CopyLink::WEEKS)]]);
        [, $secret] = CopyLink::to($copy, $request->integer('weeks'));

        return response()->json(['link' => route('home-copy', ['secret' => $secret])]);
    }

    public function destroy(StudentCopy $copy, CopyLink $link): RedirectResponse
    {
        $link->delete();

        return back();
    }

    /**
     * The marked copy and nothing else: no way to the desk, to files, or to anything of others.
     */
    public function show(string $secret): Page
    {
        $copy = self::copy($secret);

        return Inertia::render('Sheet', [
            'title' => $copy->piece->title, 'subtitle' => "for {$copy->student->name}", 'back' => null, 'downloads' => [],
            'engraving' => route('home-copy.engraving', ['secret' => $secret], false), 'notes' => (new MarkedSheet($copy))->notes(),
        ]);
    }

    public function engraving(string $secret): Response
    {
        return response((new MarkedSheet(self::copy($secret)))->markedCopy()->toEngraving(), 200, ['Content-Type' => 'application/vnd.recordare.musicxml+xml']);
    }

    private static function copy(string $secret): StudentCopy
    {
        $link = CopyLink::of($secret) ?? abort(404);

        return StudentCopy::query()->with(['student', 'piece'])->findOrFail($link->student_copy_id);
    }
}
