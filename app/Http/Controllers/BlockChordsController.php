<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\StudentCopy;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Inertia\Inertia;
use Inertia\Response as Page;
use Tarnwind\Core\Reading\BlockChords;

/**
 * The piece of a copy reduced to one block chord a harmony, for meeting it: on paper and as a file.
 */
final class BlockChordsController
{
    public function show(StudentCopy $copy): Page
    {
        return Inertia::render('Sheet', [
            'copy' => ['id' => $copy->id, 'title' => $copy->piece->title],
            'subtitle' => "in block chords, for {$copy->student->name}",
            'engraving' => route('copies.blocks.engraving', $copy, false),
            'downloads' => [['label' => 'MusicXML', 'url' => route('copies.blocks.download', $copy, false)]],
            'notes' => [],
        ]);
    }

    public function engraving(StudentCopy $copy): Response
    {
        return response($this->blocks($copy), 200, ['Content-Type' => 'application/vnd.recordare.musicxml+xml']);
    }

    public function download(StudentCopy $copy): Response
    {
        $name = Str::slug($copy->piece->title.' block chords') ?: 'block-chords';

        return $this->engraving($copy)->header('Content-Disposition', "attachment; filename=\"$name.musicxml\"");
    }

    private function blocks(StudentCopy $copy): string
    {
        $preparation = $copy->piece->preparation(null);

        return BlockChords::write($preparation->score, $preparation->reading);
    }
}
