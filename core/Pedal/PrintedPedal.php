<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\ReadsPrint;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;

/**
 * The spans that the edition's own pedal marks ask for.
 */
final class PrintedPedal implements ReadsPrint
{
    /** Quarters by which a sign stands beside what it means [start]. */
    private const BESIDE = 0.25;

    public function marks(Score $score): array
    {
        $marks = [];
        $spans = self::spans($score);
        $begins = $spans === [] ? [] : self::places(array_map(fn (Note $note): Fraction => $note->onset, $score->notes));
        $ends = $spans === [] ? [] : self::places(array_map(fn (Note $note): Fraction => $note->end(), $score->notes));
        foreach ($spans as $index => $printed) {
            $span = new Span(self::snapped($printed->down, $begins), self::snapped($printed->up, $begins, $ends));
            $span = $span->down->isLessThan($span->up) ? $span : $printed;
            $marks[] = SuggestedPedal::mark("printed-$index", $score, $span, Origin::Printed);
        }

        return $marks;
    }

    /**
     * @return list<Span>
     */
    public static function spans(Score $score): array
    {
        $spans = [];
        $down = null;
        foreach ($score->signsOf('pedal') as $mark) {
            $isEnd = in_array($mark->value, ['stop', 'change', 'discontinue', 'start'], true);
            if ($isEnd && $down !== null && $down->isLessThan($mark->onset)) {
                $spans[] = new Span($down, $mark->onset);
                $down = null;
            }
            if (in_array($mark->value, ['start', 'change', 'resume'], true)) {
                $down = $mark->onset;
            } elseif ($mark->value === 'stop' || $mark->value === 'discontinue') {
                $down = null;
            }
        }
        if ($down !== null && $down->isLessThan($score->end())) {
            $spans[] = new Span($down, $score->end());
        }

        return $spans;
    }

    /**
     * @param  list<Fraction>  $places
     * @return list<Fraction> each once, in order
     */
    private static function places(array $places): array
    {
        $once = array_values(array_combine(array_map(strval(...), $places), $places));
        usort($once, fn (Fraction $a, Fraction $b): int => $a->compareTo($b));

        return $once;
    }

    /**
     * The place a printed sign means, which is set a little beside it; of places as near as each other that of the first list.
     *
     * @param  list<Fraction>  ...$lists  places in order
     */
    private static function snapped(Fraction $at, array ...$lists): Fraction
    {
        $nearest = $at;
        $least = self::BESIDE + 1e-9;
        foreach ($lists as $places) {
            $before = Search::last(count($places), fn (int $index): bool => ! $at->isLessThan($places[$index]));
            foreach (array_slice($places, $before, 2) as $place) {
                $distance = abs($place->minus($at)->toFloat());
                if ($distance < $least) {
                    [$nearest, $least] = [$place, $distance];
                }
            }
        }

        return $nearest;
    }
}
