<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * What each voice of a staff strikes, one stroke after another, and what of it stands under a slur. Grace notes are
 * left out.
 */
final readonly class Voices
{
    /**
     * @param  array<string, list<non-empty-list<Note>>>  $strokes  by staff and voice, in time order
     * @param  array<string, array<string, int>>  $places  of strokes, by staff and voice, then by onset
     * @param  array<string, Note>  $notes  by id
     */
    private function __construct(
        private array $strokes,
        private array $places,
        private array $notes,
    ) {
    }

    public static function of(Score $score): self
    {
        $strokes = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $strokes[self::name($note)][(string) $note->onset][] = $note;
            }
        }

        return new self(
            array_map(array_values(...), $strokes), array_map(fn (array $line): array => array_flip(array_keys($line)), $strokes),
            array_column($score->notes, null, 'id'),
        );
    }

    /**
     * What a note's voice strikes next.
     *
     * @return list<Note> from low to high; none after the last
     */
    public function next(Note $note): array
    {
        $place = $this->places[self::name($note)][(string) $note->onset] ?? null;

        return $place === null ? [] : $this->strokes[self::name($note)][$place + 1] ?? [];
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
        $line = $this->strokes[self::name($first)] ?? [];
        $under = [];
        // A slur that begins on a grace note leads to what its voice strikes with it.
        for ($place = $this->places[self::name($first)][(string) $first->onset] ?? PHP_INT_MAX; isset($line[$place]) && ! $last->onset->isLessThan($line[$place][0]->onset); $place++) {
            $under[] = $line[$place];
        }
        if (self::name($first) !== self::name($last) && ! $last->grace) {
            $under[] = [$last];
        }

        return $under;
    }

    private static function name(Note $note): string
    {
        return "$note->staff/$note->voice";
    }
}
