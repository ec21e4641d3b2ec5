<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Reading\MelodyLine;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;

/**
 * A phrase with the line that is listened to in it.
 */
final readonly class Phrase
{
    /**
     * @param  int  $index  from 0
     * @param  Fraction  $from  quarters from the beginning
     * @param  list<Note>  $notes  of the line, in order; none where they are not at hand
     */
    public function __construct(
        public int $index,
        public Fraction $from,
        public Fraction $to,
        public array $notes,
    ) {
    }

    /**
     * @return list<self> that follow each other from the beginning to the end
     */
    public static function all(Score $score, Reading $reading): array
    {
        $starts = array_map(fn ($boundary): Fraction => $boundary->at, $reading->boundaries);
        if ($starts === []) {
            return [];
        }
        $lines = array_fill(0, count($starts), []);
        foreach (MelodyLine::of($score, $reading->layers) as $note) {
            $lines[Search::last(count($starts), fn (int $index): bool => ! $note->onset->isLessThan($starts[$index]))][] = $note;
        }

        return array_map(
            fn (int $index): self => new self($index, $starts[$index], $starts[$index + 1] ?? $score->end(), $lines[$index]), array_keys($starts),
        );
    }

    public function holds(Fraction $at): bool
    {
        return ! $at->isLessThan($this->from) && $at->isLessThan($this->to);
    }
}
