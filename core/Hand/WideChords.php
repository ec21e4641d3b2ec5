<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * How far each hand must open in a piece: the span of every chord that is not written rolled.
 */
final readonly class WideChords
{
    /**
     * @param  array<string, list<array{int, int}>>  $spans  by hand: semitones and index of the bar
     */
    private function __construct(private array $spans)
    {
    }

    public static function of(Score $score, Reading $reading): self
    {
        $chords = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $chords["{$reading->hands[$note->id]->value} $note->onset"][] = $note;
            }
        }
        $spans = ['right' => [], 'left' => []];
        foreach ($chords as $key => $notes) {
            $keys = array_map(fn (Note $note): int => $note->midi, $notes);
            if (count($keys) > 1 && ! $notes[0]->has('arpeggiate')) {
                $spans[explode(' ', $key)[0]][] = [max($keys) - min($keys), $notes[0]->measure];
            }
        }

        return new self($spans);
    }

    /**
     * The bars with a chord wider than a span, one entry for each chord.
     *
     * @return list<int> indexes
     */
    public function beyond(Hand $hand, int $semitones): array
    {
        return array_column(array_filter($this->spans[$hand->value], fn (array $span): bool => $span[0] > $semitones), 1);
    }

    /**
     * The widest chord in semitones; 0 if there is none.
     */
    public function widest(Hand $hand): int
    {
        return max([0, ...array_column($this->spans[$hand->value], 0)]);
    }
}
