<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\HandoutRequest;
use App\Models\CopyLink;
use App\Models\StudentCopy;
use App\Support\Handout;
use App\Support\MarkedSheet;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Inertia\Inertia;
use Inertia\Response as Page;

/**
 * The copy that goes home with the student: on paper and as files.
 */
final class MarkedCopyController
{
    private const TYPES = [
        'musicxml' => 'application/vnd.recordare.musicxml+xml', 'mxl' => 'application/vnd.recordare.musicxml',
        'mid' => 'audio/midi', 'json' => 'application/json',
    ];

    public function show(StudentCopy $copy): Page
    {
        $download = fn (string $format): string => route('copies.download', [$copy, $format], false);

        return Inertia::render('Sheet', [
            'title' => $copy->piece->title, 'back' => route('copies.show', $copy, false),
            'subtitle' => "for {$copy->student->name}",
            'student' => $copy->student->name, 'composer' => $copy->piece->stored()->document()->composer(),
            'engraving' => route('copies.print.engraving', $copy, false), 'layers' => route('copies.print.layers', $copy, false),
            'downloads' => [
                ['label' => 'MusicXML', 'url' => $download('musicxml')], ['label' => 'compressed MusicXML', 'url' => $download('mxl')],
                ['label' => 'MIDI', 'url' => $download('mid')], ['label' => 'plan', 'url' => $download('json')],
            ],
            'notes' => (new MarkedSheet($copy))->notes(), 'handout' => ['copy' => $copy->id, ...Handout::of($copy)->toArray()],
            'home' => ['copy' => $copy->id, 'weeks' => CopyLink::WEEKS, 'links' => $copy->links()->where('expires_at', '>', now())->latest('id')->get()->map(fn (CopyLink $link): array => [
                'id' => $link->id, 'expires' => $link->expires_at->toDateString(),
            ])->all()],
        ]);
    }

    public function engraving(StudentCopy $copy): Response
    {
        return response((new MarkedSheet($copy))->handedOut()->toEngraving(), 200, ['Content-Type' => self::TYPES['musicxml']]);
    }

    public function layers(StudentCopy $copy): JsonResponse
    {
        return response()->json((new MarkedSheet($copy))->layers());
    }

    /**
     * What of the plan it shows, and how it is printed.
     */
    public function handout(HandoutRequest $request, StudentCopy $copy): RedirectResponse
    {
        $copy->update(['handout' => $request->validated()]);

        return back();
    }

    public function download(StudentCopy $copy, string $format): Response
    {
        $marked = (new MarkedSheet($copy))->markedCopy();
        $name = Str::slug($copy->piece->title.' '.$copy->student->name) ?: 'copy';

        return response(match ($format) {
            'mxl' => $marked->toMxl(),
            'mid' => $marked->toMidi(),
            'json' => $marked->performance->plan->toJson(),
            default => $marked->toMusicXml(),
        }, 200, ['Content-Type' => self::TYPES[$format], 'Content-Disposition' => "attachment; filename=\"$name.$format\""]);
    }
}
