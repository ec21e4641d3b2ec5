<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * What one hand has under its fingers when it strikes: the notes it strikes and those it still holds, from the thumb
 * outwards, so that both hands can be treated as one.
 */
final readonly class Grip
{
    private const STEPS = [0.0, 0.5, 1.0, 1.5, 2.0, 3.0, 3.5, 4.0, 4.5, 5.0, 5.5, 6.0];

    /**
     * @param  list<Note>  $notes  from the thumb outwards
     * @param  list<int>  $keys  semitones, growing outwards from the thumb
     * @param  list<float>  $steps  where the keys lie in white keys, growing outwards; a black key lies half way
     * @param  list<bool>  $black
     * @param  list<bool>  $held  whether a note was struck before
     * @param  list<float>  $ends  when each note's length is over, in seconds
     * @param  float  $seconds  when it is struck
     */
    private function __construct(
        public array $notes,
        public array $keys,
        public array $steps,
        public array $black,
        public array $held,
        public array $ends,
        public float $seconds,
    ) {
    }

    /**
     * @param  list<Note>  $struck
     * @param  list<Note>  $held
     */
    public static function of(Hand $hand, array $struck, array $held, TempoMap $tempo): self
    {
        $outward = $hand->outwards();
        $notes = [...$struck, ...$held];
        usort($notes, fn (Note $a, Note $b): int => $outward * ($a->midi <=> $b->midi));

        return new self(
            $notes, array_map(fn (Note $note): int => $outward * $note->midi, $notes),
            array_map(fn (Note $note): float => $outward * (7 * intdiv($note->midi, 12) + self::STEPS[$note->midi % 12]), $notes), array_map(fn (Note $note): bool => self::isBlack($note->midi), $notes),
            array_map(fn (Note $note): bool => in_array($note, $held, true), $notes), array_map(fn (Note $note): float => $tempo->seconds($note->end()), $notes),
            $struck === [] ? 0.0 : $tempo->seconds($struck[0]->onset),
        );
    }

    /**
     * The same hand with only some of its notes, all of them held.
     *
     * @param  array<int, Note>  $notes  by their place in the grip
     */
    public function keeping(array $notes): self
    {
        $of = fn (array $values): array => array_values(array_intersect_key($values, $notes));

        return new self($of($this->notes), $of($this->keys), $of($this->steps), $of($this->black), array_fill(0, count($notes), true), $of($this->ends), $this->seconds);
    }

    /**
     * What it strikes, from the thumb outwards.
     *
     * @return list<Note>
     */
    public function struck(): array
    {
        return array_values(array_filter($this->notes, fn (int $index): bool => ! $this->held[$index], ARRAY_FILTER_USE_KEY));
    }

    public static function isBlack(int $midi): bool
    {
        return in_array($midi % 12, [1, 3, 6, 8, 10], true);
    }

    /**
     * How far the hand is open, in semitones.
     */
    public function span(): int
    {
        return $this->keys === [] ? 0 : $this->keys[count($this->keys) - 1] - $this->keys[0];
    }

    public function isChord(): bool
    {
        return count($this->notes) - count(array_filter($this->held)) > 1;
    }
}
