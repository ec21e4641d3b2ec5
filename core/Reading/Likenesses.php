<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Finds bars that are like earlier ones: the same, nearly the same with what differs, or moved along the scale;
 * in both hands or in one.
 */
final class Likenesses
{
    /** Share of its notes a bar must have in common with another to be a near repeat [start]. */
    private const NEAR = 0.6;

    /** Fewer notes are not worth linking. */
    private const FEWEST_NOTES = 3;

    /** Bars in one hand only, or moved, must be so many to be worth saying. */
    private const FEWEST_BARS = 2;

    /** Earlier bars of the same kind that are tried. */
    private const TRIES = 8;

    /** @var array<string, list<BarShape>> by hand, "" for both */
    private array $shapes = [];

    /**
     * @param  array<string, Hand>  $hands
     */
    private function __construct(private readonly Score $score, array $hands)
    {
        $notes = [];
        foreach ($score->notes as $note) {
            $notes[''][$note->measure][] = $note;
            $notes[$hands[$note->id]->value][$note->measure][] = $note;
        }
        foreach (['', ...array_column(Hand::cases(), 'value')] as $hand) {
            $this->shapes[$hand] = array_map(fn (Measure $measure): BarShape => BarShape::of($notes[$hand][$measure->index] ?? [], $measure), $score->measures);
        }
    }

    /**
     * @param  array<string, Hand>  $hands  by note id
     * @return list<Likeness> by bar
     */
    public static function find(Score $score, array $hands): array
    {
        $finder = new self($score, $hands);
        $found = $finder->repeats();
        $found = [...$found, ...$finder->moved(null, self::covered($found))];
        $covered = self::covered($found);
        foreach ($score->staves() > 1 ? Hand::cases() : [] as $hand) {
            $found = [...$found, ...$finder->moved($hand, $covered)];
        }
        usort($found, fn (Likeness $a, Likeness $b): int => $a->from <=> $b->from);

        return $found;
    }

    /**
     * @param  list<Likeness>  $likenesses
     * @return array<int, true> by bar
     */
    private static function covered(array $likenesses): array
    {
        $covered = [];
        foreach ($likenesses as $likeness) {
            $covered += array_fill($likeness->from, $likeness->length, true);
        }

        return $covered;
    }

    /**
     * Exact and near repeats of both hands, the longest for each bar.
     *
     * @return list<Likeness>
     */
    private function repeats(): array
    {
        $shapes = $this->shapes[''];
        $sameRhythm = $this->by($shapes, fn (BarShape $shape): string => $shape->rhythm);
        $found = [];
        for ($bar = 1; $bar < count($shapes); $bar++) {
            if (count($shapes[$bar]->notes) < self::FEWEST_NOTES) {
                continue;
            }
            [$length, $like] = [0, 0];
            foreach (array_slice($sameRhythm[$shapes[$bar]->rhythm] ?? [], 0, self::TRIES) as $earlier) {
                $run = $earlier < $bar ? $this->runLength($shapes, $earlier, $bar) : 0;
                if ($run > $length) {
                    [$length, $like] = [$run, $earlier];
                }
            }
            if ($length > 0) {
                $likeness = $this->repeat($like, $bar, $length);
                $found[] = $likeness;
                $bar += $likeness->length - 1;
            }
        }

        return $found;
    }

    /**
     * For how many bars two places go on alike; a near repeat must have an exact bar in it or be one bar.
     *
     * @param  list<BarShape>  $shapes
     */
    private function runLength(array $shapes, int $earlier, int $bar): int
    {
        $length = 0;
        while ($earlier + $length < $bar && isset($shapes[$bar + $length])) {
            $here = $shapes[$bar + $length];
            $there = $shapes[$earlier + $length];
            $empty = $here->isEmpty() && $there->isEmpty();
            if (! $empty && $here->exact !== $there->exact && $here->likeness($there) < self::NEAR) {
                break;
            }
            $length++;
        }

        return $length;
    }

    private function repeat(int $like, int $from, int $length): Likeness
    {
        $differences = [];
        for ($step = 0; $step < $length; $step++) {
            $differences = [...$differences, ...$this->differences($like + $step, $from + $step)];
        }

        return new Likeness($differences === [] ? LikenessKind::Exact : LikenessKind::Near, $from, $length, $like, null, 0, $differences);
    }

    /**
     * What a bar has otherwise than the bar it is like, onset by onset.
     *
     * @return list<array{measure: int, text: string}>
     */
    private function differences(int $like, int $bar): array
    {
        $here = $this->shapes[''][$bar];
        $there = $this->shapes[''][$like];
        $changes = [];
        foreach (array_diff_key($here->notes, $there->notes) as $place => $note) {
            $changes[explode(':', $place)[0]][0][] = $note;
        }
        foreach (array_diff_key($there->notes, $here->notes) as $place => $note) {
            $changes[explode(':', $place)[0]][1][] = $note;
        }
        $number = $this->score->measures[$like]->number;
        $texts = [];
        foreach ($changes as $offset => $sides) {
            $new = $this->names($sides[0] ?? []);
            $old = $this->names($sides[1] ?? []);
            $where = $this->beat($bar, ltrim((string) $offset, 'g'));
            $texts[] = ['measure' => $bar, 'text' => match (true) {
                $new === '' => "$where: without $old of bar $number",
                $old === '' => "$where: $new, which bar $number has not",
                default => "$where: $new, not $old as in bar $number",
            }];
        }
        if ($texts === [] && $here->exact !== $there->exact) {
            $texts[] = ['measure' => $bar, 'text' => "notes are held for other lengths than in bar $number"];
        }

        return $texts;
    }

    /**
     * @param  list<Note>  $notes
     */
    private function names(array $notes): string
    {
        return implode(' ', array_map(fn (Note $note): string => $note->inWords(), $notes));
    }

    private function beat(int $bar, string $offset): string
    {
        return $this->score->measures[$bar]->beatInWords(Fraction::parse($offset));
    }

    /**
     * Bars moved along the scale, or repeated in one hand only.
     *
     * @param  array<int, true>  $covered  bars that are repeats in both hands
     * @return list<Likeness>
     */
    private function moved(?Hand $hand, array $covered): array
    {
        $shapes = $this->shapes[$hand->value ?? ''];
        $same = $this->by($shapes, fn (BarShape $shape): string => $shape->shape);
        $found = [];
        for ($bar = 1; $bar < count($shapes); $bar++) {
            if (isset($covered[$bar]) || count($shapes[$bar]->notes) < self::FEWEST_NOTES) {
                continue;
            }
            [$length, $like] = [0, 0];
            foreach (array_slice($same[$shapes[$bar]->shape] ?? [], 0, self::TRIES) as $earlier) {
                $run = $earlier < $bar ? $this->movedRun($shapes, $earlier, $bar, $covered) : 0;
                if ($run > $length) {
                    [$length, $like] = [$run, $earlier];
                }
            }
            $steps = $length > 0 ? $shapes[$bar]->stepsFrom($shapes[$like]) : 0;
            if ($length >= self::FEWEST_BARS && ($hand !== null || $steps !== 0)) {
                $found[] = new Likeness($steps === 0 ? LikenessKind::Exact : LikenessKind::Transposed, $bar, $length, $like, $hand, $steps);
                $bar += $length - 1;
            }
        }

        return $found;
    }

    /**
     * @param  list<BarShape>  $shapes
     * @param  array<int, true>  $covered
     */
    private function movedRun(array $shapes, int $earlier, int $bar, array $covered): int
    {
        $steps = $shapes[$bar]->stepsFrom($shapes[$earlier]);
        $length = 0;
        while ($earlier + $length < $bar && isset($shapes[$bar + $length]) && ! isset($covered[$bar + $length])) {
            $here = $shapes[$bar + $length];
            $there = $shapes[$earlier + $length];
            if ($here->isEmpty() || $here->shape !== $there->shape || $here->stepsFrom($there) !== $steps || ($steps === 0 && $here->exact !== $there->exact)) {
                break;
            }
            $length++;
        }

        return $length;
    }

    /**
     * @param  list<BarShape>  $shapes
     * @param  callable(BarShape): string  $key
     * @return array<string, list<int>> bar indexes
     */
    private function by(array $shapes, callable $key): array
    {
        $groups = [];
        foreach ($shapes as $index => $shape) {
            $groups[$key($shape)][] = $index;
        }

        return $groups;
    }
}
