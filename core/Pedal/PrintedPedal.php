<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\ReadsPrint;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;

/**
 * The spans that the edition's own pedal marks ask for.
 */
final class PrintedPedal implements ReadsPrint
{
    /** Quarters by which a sign stands beside what it means [start]. */
    private const BESIDE = 0.25;

    /** Words that put the left pedal down, and up. */
    private const SOFT = ['/\bun[ae] cord[ae]\b|\bu\.\s?c\.|\bmit Verschiebung\b|\bpetite pédale\b/iu', '/\btre corde\b|\btutte le corde\b|\bt\.\s?c\.|\bohne Verschiebung\b|\btrois cordes\b/iu'];

    /** Words for no pedal, and for pedal again. */
    private const DRY = ['/\bsenza (il )?ped(\.|ale)?|\bs\.\s?ped\.|\bohne pedal\b|\bsans p[ée]dale\b|\bno pedal\b|\bwithout pedal\b/iu', '/\b(con|sempre|col|mit|avec|with) (il )?p[ée]d(\.|ale?)?/iu'];

    public function marks(Score $score): array
    {
        $ends = array_map(fn (Note $note): Fraction => $note->end(), $score->notes);
        $marks = [];
        foreach (self::meant($score, self::places(array_map(fn (Note $note): Fraction => $note->onset, $score->notes)), self::places($ends)) as $index => $span) {
            $marks[] = SuggestedPedal::mark("printed-$index", $score, $span, Origin::Printed);
        }
        foreach (self::dry($score) as $index => $stretch) {
            $marks[] = new PedalMark("printed-dry-$index", true, Place::at($score, $stretch->from), Place::at($score, $stretch->to), Depth::full(), Origin::Printed);
        }
        foreach (self::soft($score) as $index => $stretch) {
            $marks[] = new StretchMark("printed-soft-$index", StretchKind::Soft, Place::at($score, $stretch->from), Place::at($score, $stretch->to), Origin::Printed);
        }

        return $marks;
    }

    /**
     * The printed pedals at the beats they mean.
     *
     * @param  list<Fraction>  $begins  places at which something is struck, in order
     * @param  list<Fraction>  $ends  and at which something ends
     * @return list<Span>
     */
    public static function meant(Score $score, array $begins, array $ends = []): array
    {
        return array_map(function (Span $printed) use ($begins, $ends): Span {
            $span = new Span(self::snapped($printed->down, $begins), self::snapped($printed->up, $begins, $ends));

            return $span->down->isLessThan($span->up) ? $span : $printed;
        }, self::spans($score));
    }

    /**
     * Where words ask for the left pedal.
     *
     * @return list<Stretch>
     */
    public static function soft(Score $score): array
    {
        return self::fromWords($score, ...self::SOFT);
    }

    /**
     * Where words ask for no pedal.
     *
     * @return list<Stretch>
     */
    public static function dry(Score $score): array
    {
        return self::fromWords($score, ...self::DRY);
    }

    /**
     * @param  string  $begins  pattern of words from which on something holds
     * @param  string  $ends  and of those up to which it does
     * @return list<Stretch>
     */
    private static function fromWords(Score $score, string $begins, string $ends): array
    {
        $stretches = [];
        $from = null;
        foreach ($score->signsOf('words') as $sign) {
            if ($from === null && preg_match($begins, (string) $sign->value) === 1) {
                $from = $sign->onset;
            } elseif ($from !== null && preg_match($ends, (string) $sign->value) === 1) {
                $stretches[] = new Stretch($from, $sign->onset);
                $from = null;
            }
        }
        $all = $from === null ? $stretches : [...$stretches, new Stretch($from, $score->end())];

        return array_values(array_filter($all, fn (Stretch $stretch): bool => $stretch->from->isLessThan($stretch->to)));
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
        foreach (array_filter($lists) as $places) {
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
