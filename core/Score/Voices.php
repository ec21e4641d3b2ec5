<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * What each voice strikes, one stroke after another, and what of it stands under a slur. Grace notes are left out. A
 * voice that goes over to the other staff goes on there; where a file numbers the voices of both staves alike, more
 * stands in a bar than fits into it, and they are voices of their own.
 */
final readonly class Voices
{
    /**
     * @param  array<string, list<non-empty-list<Note>>>  $strokes  by voice, in time order
     * @param  array<string, array<string, int>>  $places  of strokes, by voice, then by onset
     * @param  array<string, Note>  $notes  by id
     * @param  array<int|string, true>  $shared  voices whose number both staves use for voices of their own
     */
    private function __construct(
        private array $strokes,
        private array $places,
        private array $notes,
        private array $shared,
    ) {
    }

    public static function of(Score $score): self
    {
        $shared = $score->sharedVoices;
        $strokes = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $strokes[self::nameOf($note, $shared)][(string) $note->onset][] = $note;
            }
        }

        return new self(
            array_map(array_values(...), $strokes), array_map(fn (array $line): array => array_flip(array_keys($line)), $strokes),
            array_column($score->notes, null, 'id'), $shared,
        );
    }

    /**
     * The numbers that both staves use for voices of their own: more stands under them in a bar than fits into it.
     *
     * @param  list<Measure>  $measures
     * @param  list<Note>  $notes
     * @return array<int|string, true>
     */
    public static function sharedNumbers(array $measures, array $notes): array
    {
        $filled = [];
        foreach ($notes as $note) {
            if (! $note->grace) {
                $filled[$note->voice][$note->measure]["$note->staff/$note->onset"] = min($note->duration->toFloat(), $measures[$note->measure]->length->toFloat());
            }
        }
        $shared = [];
        foreach ($filled as $voice => $bars) {
            foreach ($bars as $bar => $strokes) {
                if (array_sum($strokes) > $measures[$bar]->length->toFloat() + 1e-6) {
                    $shared[$voice] = true;
                }
            }
        }

        return $shared;
    }

    /**
     * What a note's voice strikes next.
     *
     * @return list<Note> from low to high; none after the last
     */
    public function next(Note $note): array
    {
        $place = $this->places[$this->name($note)][(string) $note->onset] ?? null;

        return $place === null ? [] : $this->strokes[$this->name($note)][$place + 1] ?? [];
    }

    /**
     * Every two strokes of a voice that follow each other.
     *
     * @return iterable<array{non-empty-list<Note>, non-empty-list<Note>}>
     */
    public function successive(): iterable
    {
        foreach ($this->strokes as $line) {
            foreach ($line as $place => $stroke) {
                if (isset($line[$place + 1])) {
                    yield [$stroke, $line[$place + 1]];
                }
            }
        }
    }

    /**
     * What stands under a slur: the strokes of its first note's voice, and the last note if it is in another one.
     *
     * @return list<non-empty-list<Note>> in time order
     */
    public function under(Slur $slur): array
    {
        $first = $this->notes[$slur->from];
        $last = $this->notes[$slur->to];
        $line = $this->strokes[$this->name($first)] ?? [];
        $under = [];
        // A slur that begins on a grace note leads to what its voice strikes with it.
        for ($place = $this->places[$this->name($first)][(string) $first->onset] ?? PHP_INT_MAX; isset($line[$place]) && ! $last->onset->isLessThan($line[$place][0]->onset); $place++) {
            $under[] = $line[$place];
        }
        if ($this->name($first) !== $this->name($last) && ! $last->grace) {
            $under[] = [$last];
        }

        return $under;
    }

    private function name(Note $note): string
    {
        return self::nameOf($note, $this->shared);
    }

    /**
     * @param  array<int|string, true>  $shared
     */
    private static function nameOf(Note $note, array $shared): string
    {
        return isset($shared[$note->voice]) ? "$note->staff/$note->voice" : "/$note->voice";
    }
}
