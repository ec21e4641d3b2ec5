<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;

/**
 * Labels the harmonies of a piece by template match, joined by dynamic programming:
 * Pardo & Birmingham, "Algorithms for chordal analysis", Computer Music Journal 26(2), 2002.
 * Beginnings off the beat cost more [start].
 */
final class HarmonyReader
{
    /** How many slices one harmony may join; a longer one is joined from equal neighbours. */
    private const MOST_SLICES = 12;

    /** So many beats behind the best way to a place, a chord does not catch up by going on. */
    private const HOPELESS = 2.5;

    /** What a new harmony costs, by the strength of its place in the bar: below 0.5, 0.5, 0.75, 1. */
    private const CHANGE = [1.1, 0.8, 0.4, 0.25];

    /** Strength of a place to which notes come early, rather than its bass late. */
    private const STRONG = 0.75;

    /**
     * @param  list<KeyArea>  $keys
     * @param  list<FixedHarmony>  $fixed  by place, not overlapping
     * @return list<Harmony> without numerals
     */
    public static function read(Score $score, array $keys, array $fixed = []): array
    {
        return self::within($score, $keys, $fixed, $score->measures[0]->start, $score->end());
    }

    /**
     * The harmonies of a stretch, read by themselves.
     *
     * @param  list<KeyArea>  $keys
     * @param  list<FixedHarmony>  $fixed  by place, not overlapping, all within the stretch
     * @return list<Harmony> without numerals, the first from the beginning of the stretch
     */
    public static function within(Score $score, array $keys, array $fixed, Fraction $from, Fraction $to): array
    {
        $cuts = [];
        foreach ($fixed as $harmony) {
            $cuts[] = $harmony->from;
            $cuts[] = $harmony->to;
        }
        $slices = (new Slicer($score, $from, $to, $cuts))->slices();
        $given = self::fixedAt($slices, $fixed) + self::inTwoParts($slices, TwoPartHarmony::read($score, $keys, $from, $to), $fixed);
        $segments = [];
        $scales = self::scales($keys, $slices);
        foreach (self::withoutAnticipations($slices, $scales, self::merge(self::segments($slices, $scales, $given))) as $segment) {
            $segments = [...$segments, ...self::split($slices, $segment)];
        }

        return Harmony::joined(self::label($keys, $slices, $segments, $from, $to));
    }

    /**
     * The cheapest sequence of chords.
     *
     * @param  list<Slice>  $slices
     * @param  list<array<int, bool>>  $scales
     * @param  array<int, array{int, int, Quality, ?FixedHarmony}>  $given  by first slice: the slice after the last, root as a pitch class, quality
     * @return list<array{int, int, ?int, ?Quality, ?FixedHarmony}> slices from and to, root as a pitch class, quality
     */
    private static function segments(array $slices, array $scales, array $given): array
    {
        $count = count($slices);
        $wall = [];
        foreach ($given as $start => [$end]) {
            $wall[$start] = $wall[$end] = true;
        }
        $best = array_fill(0, $count + 1, -INF);
        $best[0] = 0.0;
        /** @var array<int, array{int, ?int, ?Quality, ?FixedHarmony}> $from */
        $from = [];
        for ($start = 0; $start < $count; $start++) {
            if (isset($given[$start])) {
                [$end, $root, $quality, $harmony] = $given[$start];
                $best[$end] = $best[$start];
                $from[$end] = [$start, $root, $quality, $harmony];

                continue;
            }
            $weights = array_fill(0, 24, 0.0);
            $total = 0.0;
            $lowest = 128;
            $change = self::CHANGE[Slice::rank($slices[$start]->strength)];
            for ($end = $start; $end < min($count, $start + self::MOST_SLICES) && ($end === $start || ! isset($wall[$end])); $end++) {
                foreach ($slices[$end]->weights as $class => $weight) {
                    $weights[$class] += $weight;
                    $weights[$class + 12] += $weight;
                    $total += $weight;
                }
                $lowest = min($lowest, $slices[$end]->lowest);
                [$value, $root, $quality] = $total > 0 ? ChordMatch::best($weights, $total, $lowest % 12, $scales[$start]) : [0.0, null, null];
                $value += $best[$start] - $change;
                if ($value > $best[$end + 1]) {
                    $best[$end + 1] = $value;
                    $from[$end + 1] = [$start, $root, $quality, null];
                } elseif ($value + self::HOPELESS <= $best[$end + 1]) {
                    break;
                }
            }
        }
        $segments = [];
        for ($end = $count; $end > 0; $end = $from[$end][0]) {
            $segments[] = [$from[$end][0], $end, $from[$end][1], $from[$end][2], $from[$end][3]];
        }

        return array_reverse($segments);
    }

    /**
     * @param  list<Slice>  $slices
     * @param  list<FixedHarmony>  $fixed
     * @return array<int, array{int, int, Quality, FixedHarmony}> by first slice
     */
    private static function fixedAt(array $slices, array $fixed): array
    {
        $found = [];
        foreach ($fixed as $harmony) {
            $start = $end = null;
            foreach ($slices as $index => $slice) {
                if (! $slice->from->isLessThan($harmony->from) && $slice->from->isLessThan($harmony->to)) {
                    $start ??= $index;
                    $end = $index + 1;
                }
            }
            if ($start !== null && $end !== null) {
                $found[$start] = [$end, Pitch::classAtFifths($harmony->root), $harmony->quality, $harmony];
            }
        }

        return $found;
    }

    /**
     * @param  list<Slice>  $slices
     * @param  list<array{Fraction, Fraction, int, Quality}>  $harmonies  of stretches in two parts, by place
     * @param  list<FixedHarmony>  $fixed  that stand instead
     * @return array<int, array{int, int, Quality, null}> by first slice
     */
    private static function inTwoParts(array $slices, array $harmonies, array $fixed): array
    {
        $given = [];
        $next = 0;
        $open = null;
        foreach ($slices as $index => $slice) {
            while (isset($harmonies[$next]) && ! $slice->from->isLessThan($harmonies[$next][1])) {
                $next++;
            }
            $isFixed = array_filter($fixed, fn (FixedHarmony $harmony): bool => ! $slice->from->isLessThan($harmony->from) && $slice->from->isLessThan($harmony->to)) !== [];
            if ($isFixed || ! isset($harmonies[$next]) || $slice->from->isLessThan($harmonies[$next][0])) {
                $open = null;

                continue;
            }
            if ($open === null || $open[1] !== $next) {
                $open = [$index, $next];
            }
            $given[$open[0]] = [$index + 1, $harmonies[$next][2], $harmonies[$next][3], null];
        }

        return $given;
    }

    /**
     * @param  list<KeyArea>  $keys
     * @param  list<Slice>  $slices
     * @return list<array<int, bool>> for each slice, which pitch classes are in its key
     */
    private static function scales(array $keys, array $slices): array
    {
        $scales = [];
        $area = 0;
        $known = [];
        foreach ($slices as $slice) {
            while (isset($keys[$area + 1]) && ! $slice->from->isLessThan($keys[$area]->to)) {
                $area++;
            }
            $scales[] = $known[$area] ??= $keys[$area]->key->scale();
        }

        return $scales;
    }

    /**
     * Equal neighbours become one; silence goes on with the harmony before it.
     *
     * @param  list<array{int, int, ?int, ?Quality, ?FixedHarmony}>  $segments
     * @return list<array{int, int, int, Quality, ?FixedHarmony}>
     */
    private static function merge(array $segments): array
    {
        $merged = [];
        foreach ($segments as [$start, $end, $root, $quality, $fixed]) {
            $last = array_pop($merged);
            if ($last !== null && ($root === null || ($last[2] === $root && $last[3] === $quality && $fixed === null && $last[4] === null))) {
                $merged[] = [$last[0], $end, $last[2], $last[3], $last[4]];

                continue;
            }
            if ($last !== null) {
                $merged[] = $last;
            }
            if ($root !== null && $quality !== null) {
                $merged[] = [$start, $end, $root, $quality, $fixed];
            }
        }

        return $merged;
    }

    /**
     * A chord that upper notes reach within a beat before its bass begins with its bass.
     *
     * @param  list<Slice>  $slices
     * @param  list<array<int, bool>>  $scales
     * @param  list<array{int, int, int, Quality, ?FixedHarmony}>  $segments
     * @return list<array{int, int, int, Quality, ?FixedHarmony}>
     */
    private static function withoutAnticipations(array $slices, array $scales, array $segments): array
    {
        $kept = [];
        foreach ($segments as [$start, $end, $root, $quality, $fixed]) {
            $before = array_pop($kept);
            if ($before !== null && $before[4] === null && $fixed === null) {
                $begins = self::bassBegins($slices, $start, $end);
                if ($begins > $start) {
                    [$root, $quality] = self::chordOf(array_slice($slices, $begins, $end - $begins), $scales[$begins]) ?? [$root, $quality];
                }
                $before[1] = $start = $begins;
            }
            if ($before !== null) {
                $kept[] = $before;
            }
            $kept[] = [$start, $end, $root, $quality, $fixed];
        }

        return $kept;
    }

    /**
     * @param  list<Slice>  $slices
     * @param  array<int, bool>  $scale
     * @return ?array{int, Quality} root as a pitch class; null where nothing sounds
     */
    private static function chordOf(array $slices, array $scale): ?array
    {
        $weights = array_fill(0, 24, 0.0);
        foreach ($slices as $slice) {
            foreach ($slice->weights as $class => $weight) {
                $weights[$class] += $weight;
                $weights[$class + 12] += $weight;
            }
        }
        $total = array_sum($weights) / 2;
        $lowest = min([128, ...array_map(fn (Slice $slice): int => $slice->lowest, $slices)]);

        return $total > 0 ? array_slice(ChordMatch::best($weights, $total, $lowest % 12, $scale), 1) : null;
    }

    /**
     * The slice on a strong place, within a beat of the first, at which the bass leaves the one before the first; else the first.
     *
     * @param  list<Slice>  $slices
     */
    private static function bassBegins(array $slices, int $start, int $end): int
    {
        $bass = $slices[$start - 1]->lowest % 12;
        for ($strong = $start; $strong < $end && $slices[$strong]->lowest % 12 === $bass; $strong++) {
        }
        $isLate = $strong > $start && $strong < $end && $slices[$strong]->start - $slices[$start]->start <= $slices[$start]->beat
            && $slices[$strong]->strength > $slices[$start]->strength && $slices[$strong]->strength >= self::STRONG;

        return $isLate ? $strong : $start;
    }

    /**
     * A chord whose bass moves to another of its notes is one harmony for each inversion.
     *
     * @param  list<Slice>  $slices
     * @param  array{int, int, int, Quality, ?FixedHarmony}  $segment
     * @return list<array{int, int, int, Quality, ?FixedHarmony}>
     */
    private static function split(array $slices, array $segment): array
    {
        [$start, $end, $root, $quality, $fixed] = $segment;
        $pieces = [];
        foreach ($fixed === null ? Bass::changes($slices, $start, $end, self::chord($root, $quality)) : [] as $change) {
            $pieces[] = [$start, $change, $root, $quality, null];
            $start = $change;
        }
        $pieces[] = [$start, $end, $root, $quality, $fixed];

        return $pieces;
    }

    /**
     * @param  list<KeyArea>  $keys
     * @param  list<Slice>  $slices
     * @param  list<array{int, int, int, Quality, ?FixedHarmony}>  $segments
     * @return list<Harmony>
     */
    private static function label(array $keys, array $slices, array $segments, Fraction $from, Fraction $to): array
    {
        $harmonies = [];
        $area = 0;
        foreach ($segments as $index => [$start, $end, $class, $quality, $fixed]) {
            while (isset($keys[$area + 1]) && ! $slices[$start]->from->isLessThan($keys[$area]->to)) {
                $area++;
            }
            $inside = array_slice($slices, $start, $end - $start);
            if ($fixed === null && self::isAddedSixth($keys[$area]->key, $slices, $segments, $index)) {
                [$class, $quality] = [($class + 3) % 12, Quality::Major];
            }
            $chord = self::chord($class, $quality);
            $root = $fixed !== null ? $fixed->root : Spelling::ofRoot($inside, $class, $quality, $keys[$area]->key);
            $bass = $fixed !== null && $fixed->bass !== null ? $fixed->bass : Bass::of($slices, $start, $end, $chord)?->fifths();
            $place = $bass === null ? false : array_search($bass - $root, $quality->fifths(), true);
            $harmonies[] = new Harmony(
                $index === 0 ? $from : $slices[$start]->from,
                isset($segments[$index + 1]) ? $slices[$end]->from : $to,
                $root, $quality, $bass, $place === false ? 0 : $place,
                self::outside($inside, $chord), self::names($inside), fixed: $fixed !== null,
            );
        }

        return $harmonies;
    }

    /**
     * Whether a minor seventh chord on its third is the tonic with a sixth: reached from the dominant, and in the bass the tonic.
     *
     * @param  list<Slice>  $slices
     * @param  list<array{int, int, int, Quality, ?FixedHarmony}>  $segments
     */
    private static function isAddedSixth(Key $key, array $slices, array $segments, int $index): bool
    {
        [$start, $end, $class, $quality] = $segments[$index];
        $tonic = Pitch::classAtFifths($key->tonic);
        if ($quality !== Quality::MinorSeventh || $key->minor || ($class + 3) % 12 !== $tonic || ! isset($segments[$index - 1])) {
            return false;
        }
        [, , $before, $kind] = $segments[$index - 1];
        $bass = Bass::of($slices, $start, $end, self::chord($class, $quality));

        return $before === ($tonic + 7) % 12 && in_array($kind, [Quality::Major, Quality::DominantSeventh], true) && $bass !== null && $bass->midi % 12 === $tonic;
    }

    /**
     * @param  list<Slice>  $slices
     * @return list<int>
     */
    private static function names(array $slices): array
    {
        $names = [];
        foreach ($slices as $slice) {
            foreach ($slice->notes as $note) {
                $names[$note->fifths()] = true;
            }
        }

        return array_keys($names);
    }

    /**
     * @return non-empty-list<int> pitch classes, the root first
     */
    private static function chord(int $root, Quality $quality): array
    {
        return array_map(fn (int $interval): int => ($root + $interval) % 12, $quality->intervals());
    }

    /**
     * @param  list<Slice>  $slices
     * @param  list<int>  $chord  pitch classes
     * @return list<string>
     */
    private static function outside(array $slices, array $chord): array
    {
        $ids = [];
        foreach ($slices as $slice) {
            foreach ($slice->notes as $note) {
                if (! in_array($note->midi % 12, $chord, true)) {
                    $ids[$note->id] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($ids));
    }
}
