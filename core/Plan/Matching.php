<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use Tarnwind\Core\Reading\BarShape;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Score;

/**
 * Which bars and notes of a corrected score are those of the score before: bars are aligned in order by what they
 * have in common, notes within them by place and pitch.
 */
final readonly class Matching
{
    /** Bars further from the diagonal than this, beyond the difference in length, are not compared. */
    private const BAND = 64;

    /** What it costs to leave a bar without a twin; two bars without a note in common cost twice this. */
    private const GAP = 0.5;

    /**
     * @param  list<string>  $before  ids of the old bars
     * @param  array<string, string>  $measures  old id to new id
     * @param  array<string, Measure>  $newMeasures  by new id
     * @param  array<string, string>  $notes  old id to new id
     * @param  list<string>  $changed  printed numbers of new bars whose twin has other notes
     * @param  list<string>  $added  printed numbers of new bars without a twin
     * @param  list<string>  $removed  printed numbers of old bars without a twin
     */
    private function __construct(
        private array $before,
        private array $measures,
        private array $newMeasures,
        private array $notes,
        public array $changed,
        public array $added,
        public array $removed,
    ) {
    }

    public static function of(Score $before, Score $after): self
    {
        [$old, $oldNotes] = self::shapes($before);
        [$new, $newNotes] = self::shapes($after);
        $pairs = self::align($old, $new);
        $measures = $notes = $changed = [];
        foreach ($pairs as $i => $j) {
            $measures[$before->measures[$i]->id] = $after->measures[$j]->id;
            $notes += self::notesOf($oldNotes[$i] ?? [], $newNotes[$j] ?? [], $before->measures[$i], $after->measures[$j]);
            if ($old[$i]->exact !== $new[$j]->exact) {
                $changed[] = $after->measures[$j]->number;
            }
        }
        $twins = array_flip($pairs);

        return new self(
            array_map(fn (Measure $measure): string => $measure->id, $before->measures), $measures, array_column($after->measures, null, 'id'), $notes, $changed,
            array_values(array_map(fn (Measure $m): string => $m->number, array_filter($after->measures, fn (Measure $m): bool => ! isset($twins[$m->index])))),
            array_values(array_map(fn (Measure $m): string => $m->number, array_filter($before->measures, fn (Measure $m): bool => ! isset($pairs[$m->index])))),
        );
    }

    /**
     * Some bars of a score with others of the same score; of the bar after them its place alone, for what ends there.
     *
     * @param  int  $to  index of the first of the others
     */
    public static function within(Score $score, Bars $bars, int $to): self
    {
        [, $byBar] = self::shapes($score);
        $measures = $notes = $before = [];
        for ($bar = $bars->first, $other = $to; $bar <= $bars->last + 1 && isset($score->measures[$bar], $score->measures[$other]); $bar++, $other++) {
            $before[] = $score->measures[$bar]->id;
            $measures[$score->measures[$bar]->id] = $score->measures[$other]->id;
            $notes += $bar > $bars->last ? [] : self::notesOf($byBar[$bar] ?? [], $byBar[$other] ?? [], $score->measures[$bar], $score->measures[$other]);
        }

        return new self($before, $measures, array_column($score->measures, null, 'id'), $notes, [], [], []);
    }

    public function measure(string $id): ?string
    {
        return $this->measures[$id] ?? null;
    }

    public function place(Place $place): ?Place
    {
        $measure = $this->measure($place->measure);
        if ($measure === null) {
            return null;
        }
        $length = $this->newMeasures[$measure]->length;

        return new Place($measure, $length->isLessThan($place->offset) ? $length : $place->offset);
    }

    /**
     * Where something ends that began at a place: in a bar that is gone, it ends with the last bar before it.
     */
    public function end(Place $end, Place $begin): ?Place
    {
        $first = array_search($begin->measure, $this->before, true);
        $last = array_search($end->measure, $this->before, true);
        for ($bar = $last; $first !== false && $bar !== false && $bar >= $first; $bar--) {
            $twin = $this->measure($this->before[$bar]);
            if ($twin !== null) {
                return $bar === $last ? $this->place($end) : new Place($twin, $this->newMeasures[$twin]->length);
            }
        }

        return null;
    }

    /**
     * @param  list<string>  $ids
     * @return list<string> those that have a twin
     */
    public function notes(array $ids): array
    {
        return array_values(array_filter(array_map(fn (string $id): ?string => $this->notes[$id] ?? null, $ids), fn (?string $id): bool => $id !== null));
    }

    /**
     * @return array{list<BarShape>, array<int, list<Note>>}
     */
    private static function shapes(Score $score): array
    {
        $notes = [];
        foreach ($score->notes as $note) {
            $notes[$note->measure][] = $note;
        }

        return [array_map(fn (Measure $measure): BarShape => BarShape::of($notes[$measure->index] ?? [], $measure), $score->measures), $notes];
    }

    /**
     * The alignment with the most in common, by dynamic programming.
     *
     * @param  list<BarShape>  $old
     * @param  list<BarShape>  $new
     * @return array<int, int> old index to new index
     */
    private static function align(array $old, array $new): array
    {
        $rows = count($old);
        $columns = count($new);
        $band = self::BAND + abs($rows - $columns);
        $best = [[0 => 0.0]];
        $step = [];
        for ($j = 1; $j <= min($columns, $band); $j++) {
            $best[0][$j] = -self::GAP * $j;
            $step[0][$j] = 'add';
        }
        for ($i = 1; $i <= $rows; $i++) {
            for ($j = max(0, $i - $band); $j <= min($columns, $i + $band); $j++) {
                $pair = $j > 0 && isset($best[$i - 1][$j - 1]) ? $best[$i - 1][$j - 1] + self::common($old[$i - 1], $new[$j - 1]) : -INF;
                $remove = ($best[$i - 1][$j] ?? -INF) - self::GAP;
                $add = ($best[$i][$j - 1] ?? -INF) - self::GAP;
                $best[$i][$j] = max($pair, $remove, $add);
                $step[$i][$j] = $best[$i][$j] === $pair ? 'pair' : ($best[$i][$j] === $remove ? 'remove' : 'add');
            }
        }
        $pairs = [];
        for ($i = $rows, $j = $columns; $i > 0 || $j > 0;) {
            $move = $step[$i][$j] ?? ($i > 0 ? 'remove' : 'add');
            $i -= $move === 'add' ? 0 : 1;
            $j -= $move === 'remove' ? 0 : 1;
            if ($move === 'pair') {
                $pairs[$i] = $j;
            }
        }
        ksort($pairs);

        return $pairs;
    }

    private static function common(BarShape $old, BarShape $new): float
    {
        if ($old->exact === $new->exact) {
            return 1.0;
        }

        return $old->likeness($new) - self::GAP + ($old->rhythm === $new->rhythm ? 0.2 : 0.0);
    }

    /**
     * @param  list<Note>  $old
     * @param  list<Note>  $new
     * @return array<string, string> old id to new id
     */
    private static function notesOf(array $old, array $new, Measure $oldBar, Measure $newBar): array
    {
        $pairs = [];
        $tests = [
            fn (Note $a, Note $b, bool $together): bool => $together && $a->midi === $b->midi && $a->staff === $b->staff && $a->grace === $b->grace,
            fn (Note $a, Note $b, bool $together): bool => $together && $a->midi === $b->midi && $a->grace === $b->grace,
            fn (Note $a, Note $b, bool $together): bool => $together && $a->staff === $b->staff && $a->grace === $b->grace && abs($a->midi - $b->midi) <= 4,
            fn (Note $a, Note $b, bool $together): bool => $a->midi === $b->midi && $a->staff === $b->staff && $a->duration->equals($b->duration),
        ];
        $offset = fn (Note $note, Measure $bar): Fraction => $note->onset->minus($bar->start);
        foreach ($tests as $test) {
            foreach ($old as $key => $a) {
                foreach ($new as $place => $b) {
                    if ($test($a, $b, $offset($a, $oldBar)->equals($offset($b, $newBar)))) {
                        $pairs[$a->id] = $b->id;
                        unset($old[$key], $new[$place]);
                        break;
                    }
                }
            }
        }

        return $pairs;
    }
}
