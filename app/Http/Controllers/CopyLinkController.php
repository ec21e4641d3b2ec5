<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\PracticeEntryRequest;
use App\Models\CopyLink;
use App\Models\PracticeEntry;
use App\Models\StudentCopy;
use App\Practice\StudentPractice;
use App\Support\Handout;
use App\Support\MarkedSheet;
use App\Support\RenditionDocument;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Inertia\Inertia;
use Inertia\Response as Page;
use Tarnwind\Core\Handout\Reduced;
use Tarnwind\Core\Score\Measure;

/**
 * Links by which a student sees her marked copy at home, and what they show.
 */
final class CopyLinkController
{
    /** Days of practice that are told back. */
    private const TOLD = 7;

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
     * The marked copy, this week's practice and nothing else: no way to the desk, to files, or to anything of others.
     */
    public function show(string $secret): Page
    {
        $copy = CopyLink::copyOf($secret);
        $url = fn (string $name): string => route($name, ['secret' => $secret], false);
        $practice = new StudentPractice($copy->student);

        return Inertia::render('Home', [
            'title' => $copy->piece->title, 'student' => $copy->student->name, 'paper' => Handout::of($copy)->paper(),
            'engraving' => $url('home-copy.engraving'), 'layers' => $url('home-copy.layers'), 'shown' => Handout::of($copy)->show, 'composer' => $copy->piece->stored()->document()->composer(), 'rendition' => $url('home-copy.rendition'), 'log' => $url('home-copy.log'), 'reduced' => "/home/$secret/reduced",
            'takes' => $url('home-copy.takes'), 'simulation' => $url('home-copy.simulation'), 'calibrations' => $url('home-copy.calibrations.store'), 'foot' => $url('home-copy.foot'),
            'numbers' => array_map(fn (Measure $measure): string => $measure->number, $copy->piece->score()->measures),
            'notes' => (new MarkedSheet($copy))->notes(), 'examples' => (new MarkedSheet($copy))->examples(),
            'today' => $copy->student->teacher->today()->toDateString(), 'days' => $practice->days($copy->id),
            'entries' => $copy->practiceEntries()->whereDate('day', '>=', now()->subDays(self::TOLD))->get()->map(fn (PracticeEntry $entry): array => $entry->listed())->all(),
        ]);
    }

    public function engraving(string $secret): Response
    {
        return response((new MarkedSheet(CopyLink::copyOf($secret)))->handedOut()->toEngraving(), 200, ['Content-Type' => 'application/vnd.recordare.musicxml+xml']);
    }

    public function layers(string $secret): JsonResponse
    {
        return response()->json((new MarkedSheet(CopyLink::copyOf($secret)))->layers());
    }

    /**
     * Less of the piece, for the steps that begin with it.
     */
    public function reduced(string $secret, Reduced $reduced): Response
    {
        return response((new MarkedSheet(CopyLink::copyOf($secret)))->reduced($reduced), 200, ['Content-Type' => 'application/vnd.recordare.musicxml+xml']);
    }

    /**
     * The plan in sound.
     */
    public function rendition(string $secret): JsonResponse
    {
        return response()->json(RenditionDocument::of(CopyLink::copyOf($secret)->performance()));
    }

    /**
     * What the student says she has practised.
     */
    public function log(PracticeEntryRequest $request): JsonResponse
    {
        return response()->json(['entry' => $request->entry('student')->listed()]);
    }
}
