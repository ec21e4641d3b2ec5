<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\StudentCopy;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Inertia\Inertia;
use Inertia\Response as Page;
use Tarnwind\Core\Crafts;
use Tarnwind\Core\Handout\MarkedCopy;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Words\BarNote;

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
        $plan = $copy->planDocument();
        $score = $copy->piece->score();
        $order = array_flip(array_map(fn (Measure $measure): string => $measure->id, $score->measures));
        $notes = array_values(array_filter($plan->marksOf(BarNote::class), fn (BarNote $note): bool => isset($order[$note->measure]) && trim($note->text) !== ''));
        usort($notes, fn (BarNote $a, BarNote $b): int => $order[$a->measure] <=> $order[$b->measure]);

        $download = fn (string $format): string => route('copies.download', [$copy, $format], false);

        return Inertia::render('Sheet', [
            'copy' => ['id' => $copy->id, 'title' => $copy->piece->title],
            'subtitle' => "for {$copy->student->name}",
            'engraving' => route('copies.print.engraving', $copy, false),
            'downloads' => [
                ['label' => 'MusicXML', 'url' => $download('musicxml')], ['label' => 'compressed MusicXML', 'url' => $download('mxl')],
                ['label' => 'MIDI', 'url' => $download('mid')], ['label' => 'plan', 'url' => $download('json')],
            ],
            'notes' => array_map(fn (BarNote $note): array => [
                'bar' => $score->measures[$order[$note->measure]]->number, 'text' => $note->text,
            ], $notes),
        ]);
    }

    public function engraving(StudentCopy $copy): Response
    {
        return response($this->markedCopy($copy)->toEngraving(), 200, ['Content-Type' => self::TYPES['musicxml']]);
    }

    public function download(StudentCopy $copy, string $format): Response
    {
        $marked = $this->markedCopy($copy);
        $name = Str::slug($copy->piece->title.' '.$copy->student->name) ?: 'copy';

        return response(match ($format) {
            'mxl' => $marked->toMxl(),
            'mid' => $marked->toMidi(),
            'json' => $marked->performance->plan->toJson(),
            default => $marked->toMusicXml(),
        }, 200, ['Content-Type' => self::TYPES[$format], 'Content-Disposition' => "attachment; filename=\"$name.$format\""]);
    }

    private function markedCopy(StudentCopy $copy): MarkedCopy
    {
        return new MarkedCopy(fn (): Document => $copy->piece->stored()->document(), $copy->performance(), Crafts::registry()->writers());
    }
}
