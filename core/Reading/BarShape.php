<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;

/**
 * What a bar, or one hand of it, is made of, for comparing it with others.
 */
final readonly class BarShape
{
    /**
     * @param  string  $exact  equal for bars with the same notes
     * @param  string  $shape  equal for bars that differ by being moved along the scale
     * @param  string  $rhythm  equal for bars with the same rhythm
     * @param  array<string, Note>  $notes  by offset and key
     */
    private function __construct(
        public string $exact,
        public string $shape,
        public string $rhythm,
        public array $notes,
        private ?int $first,
    ) {
    }

    /**
     * @param  list<Note>  $notes  of the bar, in time order
     */
    public static function of(array $notes, Measure $measure): self
    {
        $exact = $shape = $rhythm = '';
        $byPlace = [];
        $first = null;
        foreach ($notes as $note) {
            $offset = ($note->grace ? 'g' : '').$note->onset->minus($measure->start);
            $step = $note->pitch->diatonic();
            $first ??= $step;
            $exact .= "$offset:$note->duration:$note->midi ";
            $shape .= "$offset:$note->duration:".($step - $first).' ';
            $rhythm .= "$offset:$note->duration ";
            $byPlace["$offset:$note->midi"] = $note;
        }

        return new self($exact, $shape, $rhythm, $byPlace, $first);
    }

    public function isEmpty(): bool
    {
        return $this->first === null;
    }

    /**
     * Scale steps from another bar of the same shape to this one.
     */
    public function stepsFrom(self $other): int
    {
        return ($this->first ?? 0) - ($other->first ?? 0);
    }

    /**
     * Share of the notes of two bars that stand in both at the same place.
     */
    public function likeness(self $other): float
    {
        $common = count(array_intersect_key($this->notes, $other->notes));
        $all = count($this->notes) + count($other->notes) - $common;

        return $all > 0 ? $common / $all : 0.0;
    }
}
