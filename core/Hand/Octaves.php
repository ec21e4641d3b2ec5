<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Performance\ShapesNotes;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Plays notes where the instrument has keys for them.
 */
final class Octaves implements ShapesNotes
{
    public function notes(Score $score, Plan $plan): Score
    {
        $moved = self::byNote($plan);

        return $moved === [] ? $score : $score->with(
            array_map(fn (Note $note): Note => isset($moved[$note->id]) ? $note->octavesUp($moved[$note->id]) : $note, $score->notes), $score->slurs,
        );
    }

    /**
     * @return array<string, int> octaves upwards by note id
     */
    public static function byNote(Plan $plan): array
    {
        $octaves = [];
        foreach ($plan->marksOf(OctaveMark::class) as $mark) {
            $octaves = array_replace($octaves, array_fill_keys($mark->notes, $mark->octaves));
        }

        return $octaves;
    }
}
