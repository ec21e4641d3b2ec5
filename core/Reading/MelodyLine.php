<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * The line that is listened to: the melody, and where there is none the highest notes.
 */
final class MelodyLine
{
    /**
     * @param  array<string, LayeredNote>  $layers
     * @return list<Note> one an onset, in time order
     */
    public static function of(Score $score, array $layers): array
    {
        $sung = $highest = [];
        foreach ($score->notes as $note) {
            if ($note->grace) {
                continue;
            }
            $key = (string) $note->onset;
            if (($layers[$note->id] ?? null)?->layer === Layer::Melody && (! isset($sung[$note->measure][$key]) || $sung[$note->measure][$key]->midi < $note->midi)) {
                $sung[$note->measure][$key] = $note;
            }
            if (! isset($highest[$note->measure][$key]) || $highest[$note->measure][$key]->midi < $note->midi) {
                $highest[$note->measure][$key] = $note;
            }
        }
        $line = [];
        $held = Fraction::zero();
        foreach ($score->measures as $measure) {
            $notes = $sung[$measure->index] ?? $highest[$measure->index] ?? [];
            $first = $highest[$measure->index][(string) $measure->start] ?? null;
            // Where the melody is silent at a barline, what is struck there stands for it.
            if ($first !== null && ! isset($notes[(string) $measure->start]) && ! $measure->start->isLessThan($held)) {
                $notes = [(string) $measure->start => $first, ...$notes];
            }
            usort($notes, fn (Note $a, Note $b): int => $a->onset->compareTo($b->onset));
            foreach ($notes as $note) {
                $line[] = $note;
                $held = Fraction::max($held, $note->end());
            }
        }

        return $line;
    }
}
