<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Says the count of every bar [trade]: "1 & 2 &", "1 e & a", "1 trip let"; in compound metres "1 la li".
 */
final class Counter
{
    /** Syllables to a beat that can be asked for. */
    public const SUBDIVISIONS = [1, 2, 3, 4, 6];

    /** Seconds: a longer beat is counted in its parts [start]. */
    private const SLOW_BEAT = 1.2;

    private const SIMPLE = [1 => [], 2 => ['&'], 3 => ['trip', 'let'], 4 => ['e', '&', 'a'], 6 => ['la', 'li', '&', 'la', 'li']];

    private const COMPOUND = [1 => [], 2 => ['&'], 3 => ['la', 'li'], 4 => ['e', '&', 'a'], 6 => ['ta', 'la', 'ta', 'li', 'ta']];

    /**
     * @param  ?int  $subdivision  one of SUBDIVISIONS; null for what each bar needs, and where the beat is slow its half or third
     * @return list<BarCount>
     */
    public static function count(Score $score, ?int $subdivision = null, ?TempoMap $tempo = null): array
    {
        /** @var array<int, list<Note>> $notes */
        $notes = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $notes[$note->measure][] = $note;
            }
        }

        return array_map(fn (Measure $measure): BarCount => self::bar($measure, $notes[$measure->index] ?? [], $subdivision, self::least($measure, $tempo)), $score->measures);
    }

    /**
     * The coarsest count that keeps a pulse: slow music is counted in subdivisions [trade].
     */
    private static function least(Measure $measure, ?TempoMap $tempo): int
    {
        $beat = $measure->time->beat();
        if ($tempo === null || $tempo->seconds($measure->start->plus($beat)) - $tempo->seconds($measure->start) <= self::SLOW_BEAT) {
            return 1;
        }

        return $beat->numerator === 3 ? 3 : 2;
    }

    /**
     * The smallest subdivision on which every onset of a bar falls; sixths where halves and thirds meet,
     * quarters for what is finer still.
     *
     * @param  list<Note>  $notes
     */
    public static function needed(Measure $measure, array $notes): int
    {
        $halves = $thirds = 1;
        foreach ($notes as $note) {
            $parts = $note->onset->minus($measure->beatOrigin())->dividedBy($measure->time->beat())->denominator;
            $thirds = $parts % 3 === 0 ? 3 : $thirds;
            $halves = max($halves, min(4, $parts % 4 === 0 ? 4 : ($parts % 2 === 0 ? 2 : 1)));
        }

        return $thirds === 3 ? ($halves === 1 ? 3 : 6) : $halves;
    }

    /**
     * The coarsest count that has two others in it.
     */
    private static function joined(int $one, int $other): int
    {
        foreach (self::SUBDIVISIONS as $subdivision) {
            if ($subdivision % $one === 0 && $subdivision % $other === 0) {
                return $subdivision;
            }
        }

        return max($one, $other);
    }

    /**
     * @param  list<Note>  $notes
     */
    private static function bar(Measure $measure, array $notes, ?int $subdivision, int $least): BarCount
    {
        // An up-beat may begin between the syllables that are asked for; it is counted as finely as it needs.
        $isUpBeat = ! $measure->beatOrigin()->equals($measure->start);
        $subdivision = $subdivision === null || $isUpBeat ? self::joined($subdivision ?? $least, self::needed($measure, $notes)) : $subdivision;
        $beat = $measure->time->beat();
        $words = $beat->numerator === 3 ? self::COMPOUND[$subdivision] : self::SIMPLE[$subdivision];
        $step = $beat->times(Fraction::of(1, $subdivision));
        $struck = [];
        foreach ($notes as $note) {
            $struck[$note->onset->minus($measure->beatOrigin())->dividedBy($step)->floor()][] = $note->id;
        }
        $syllables = [];
        for ($place = 0, $at = $measure->beatOrigin(); $at->isLessThan($measure->end()); $place++, $at = $at->plus($step)) {
            if (! $at->isLessThan($measure->start)) {
                $text = $place % $subdivision === 0 ? self::number($measure, intdiv($place, $subdivision)) : $words[$place % $subdivision - 1] ?? '';
                $syllables[] = new Syllable($at, $text, $struck[$place] ?? []);
            }
        }

        return new BarCount($measure->index, $subdivision, $syllables);
    }

    /**
     * The number of a beat; the groups of an additive metre are each counted from 1.
     */
    private static function number(Measure $measure, int $beat): string
    {
        $groups = $measure->time->groups;
        foreach (count($groups) > 1 ? $groups : [] as $group) {
            if ($beat < $group) {
                break;
            }
            $beat -= $group;
        }

        return (string) ($beat + 1);
    }
}
