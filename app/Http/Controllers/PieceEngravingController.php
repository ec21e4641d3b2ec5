<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\ScoreFileRequest;
use Illuminate\Http\JsonResponse;
use Tarnwind\Core\Score\Measure;

/**
 * A score file as it would be engraved, with the bars and notes that were read: what is drawn can be compared with them.
 */
final class PieceEngravingController
{
    public function __invoke(ScoreFileRequest $request): JsonResponse
    {
        $stored = $request->stored();
        $score = $stored->score();
        $notes = array_fill(0, count($score->measures), []);
        foreach ($score->notes as $note) {
            $notes[$note->measure][] = $note->id;
        }

        return response()->json([
            'musicxml' => $stored->engraving(),
            'bars' => array_map(fn (Measure $measure): array => ['id' => $measure->id, 'number' => $measure->number, 'notes' => $notes[$measure->index]], $score->measures),
        ]);
    }
}
