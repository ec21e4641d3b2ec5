<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\StudentCopy;
use App\Support\MarkedSheet;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Inertia\Inertia;
use Inertia\Response as Page;
use Tarnwind\Core\Handout\Reduced;

/**
 * The piece of a copy reduced to what a student meets first: block chords, outer notes, melody and bass; on paper and
 * as a file.
 */
final class ReductionController
{
    public function show(StudentCopy $copy, Reduced $reduced): Page
    {
        return Inertia::render('Sheet', [
            'title' => $copy->piece->title, 'back' => route('copies.show', $copy, false),
            'subtitle' => "{$reduced->label()}, for {$copy->student->name}",
            'engraving' => route('copies.reduction.engraving', [$copy, $reduced], false),
            'downloads' => [['label' => 'MusicXML', 'url' => route('copies.reduction.download', [$copy, $reduced], false)]],
            'siblings' => array_map(fn (Reduced $one): array => [
                'label' => Str::ucfirst($one->label()), 'url' => route('copies.reduction', [$copy, $one], false), 'current' => $one === $reduced,
            ], Reduced::cases()),
            'notes' => [],
        ]);
    }

    public function engraving(StudentCopy $copy, Reduced $reduced): Response
    {
        return response((new MarkedSheet($copy))->reduced($reduced), 200, ['Content-Type' => 'application/vnd.recordare.musicxml+xml']);
    }

    public function download(StudentCopy $copy, Reduced $reduced): Response
    {
        $name = Str::slug("{$copy->piece->title} {$reduced->label()}") ?: $reduced->value;

        return $this->engraving($copy, $reduced)->header('Content-Disposition', "attachment; filename=\"$name.musicxml\"");
    }
}
