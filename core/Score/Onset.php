<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * A moment of a score: something is struck, a general rest begins, or it ends.
 */
final readonly class Onset
{
    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  list<Note>  $notes  that begin here, grace notes with the note they lead to
     * @param  bool  $isRest  whether a rest of all voices begins here
     */
    public function __construct(
        public Fraction $at,
        public array $notes,
        public bool $isRest,
    ) {
    }

    /**
     * @return non-empty-list<self> by place; the last one is the end
     */
    public static function all(Score $score): array
    {
        /** @var array<string, array{Fraction, list<Note>}> $groups */
        $groups = [];
        $held = Fraction::zero();
        $rests = [];
        foreach ($score->notes as $note) {
            if (! $note->grace && $held->isLessThan($note->onset)) {
                $rests[(string) $held] = $held;
            }
            $key = (string) $note->onset;
            $groups[$key] ??= [$note->onset, []];
            $groups[$key][1][] = $note;
            $held = Fraction::max($held, $note->end());
        }
        $end = Fraction::max($held, $score->end());
        if ($held->isLessThan($end)) {
            $rests[(string) $held] = $held;
        }
        foreach ($rests as $key => $at) {
            $groups[$key] ??= [$at, []];
        }
        $groups[(string) $end] ??= [$end, []];
        uasort($groups, fn (array $a, array $b): int => $a[0]->compareTo($b[0]));

        return array_map(fn (array $group, int|string $key): self => new self($group[0], $group[1], isset($rests[$key])), array_values($groups), array_keys($groups));
    }
}
