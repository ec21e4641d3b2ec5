<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;

/**
 * Caps the highest note of a broken figure, which sticks out by itself, and the lowest, which thumps [trade; dB start].
 */
final class BrokenFigures implements LevelHabit
{
    private const CAPPED = 0.8;

    /** So many single strokes in a bar are a figure, of so many semitones. */
    private const LEAST_STROKES = 4;

    private const LEAST_COMPASS = 7;

    public function entries(Performance $performance): array
    {
        $reading = $performance->reading();
        $figures = $chords = [];
        foreach ($performance->score()->notes as $note) {
            if (! $note->grace && $reading->layerOf($note) === Layer::Filling) {
                $line = "$note->measure/$note->staff/$note->voice";
                $figures[$line][] = $note;
                $chords[$line][(string) $note->onset] = true;
            }
        }
        $entries = [];
        foreach ($figures as $line => $notes) {
            $keys = array_map(fn (Note $note): int => $note->midi, $notes);
            [$lowest, $highest] = [min($keys), max($keys)];
            if (count($chords[$line]) < count($notes) || count($notes) < self::LEAST_STROKES || $highest - $lowest < self::LEAST_COMPASS) {
                continue;
            }
            foreach ($notes as $note) {
                if ($note->midi === $highest || $note->midi === $lowest) {
                    $entries[$note->id] = [LedgerEntry::lighter($note->midi === $highest ? 'highest of a figure: sticks out by itself' : 'lowest of a figure: thumps by itself', self::CAPPED)];
                }
            }
        }

        return $entries;
    }
}
