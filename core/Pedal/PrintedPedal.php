<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\ReadsPrint;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

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
        $begins = array_map(fn (Note $note): Fraction => $note->onset, $score->notes);
        $ends = [...$begins, ...array_map(fn (Note $note): Fraction => $note->end(), $score->notes)];
        foreach (self::spans($score) as $index => $printed) {
            $span = new Span(self::snapped($printed->down, $begins), self::snapped($printed->up, $ends));
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
     * The place a printed sign means, which is set a little beside it.
     *
     * @param  list<Fraction>  $places
     */
    private static function snapped(Fraction $at, array $places): Fraction
    {
        $nearest = $at;
        $least = self::BESIDE + 1e-9;
        foreach ($places as $place) {
            $distance = abs($place->minus($at)->toFloat());
            if ($distance < $least) {
                [$nearest, $least] = [$place, $distance];
            }
        }

        return $nearest;
    }
}
