<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;

/**
 * Finds the keys of a piece: in a window of bars around each bar the duration-weighted pitch classes are
 * correlated with the profiles of Krumhansl & Kessler (1982) [mem of pub], the signature is the prior,
 * the spelling of the notes is evidence, and a Viterbi pass smooths the sequence.
 */
final class KeyReader
{
    /** Quarters up to which a longer note counts more, and what the shortest counts [start]. */
    private const LONGEST = 4.0;

    private const SHORTEST = 0.05;

    private const MAJOR = [6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88];

    private const MINOR = [6.33, 2.68, 3.52, 5.38, 2.60, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17];

    /** Bars to each side that are heard together with a bar [start]. */
    private const REACH = 2;

    /** What a change of key costs, against correlations up to 1 [start]. */
    private const CHANGE = 0.6;

    /** And in a piece of fewer bars than these. */
    private const CHANGE_IN_SHORT = 0.9;

    private const SHORT = 8;

    /** Per fifth between a key's signature and the printed one [start]. */
    private const SIGNATURE = 0.05;

    /** Share of notes spelled outside the key [start]. */
    private const SPELLING = 0.8;

    /** For the key whose tonic chord a piece ends with, and begins with [start]. */
    private const CLOSES = 0.5;

    private const OPENS = 0.35;

    /** How like each other bars are that are judged together [start]. */
    private const SAME = 0.97;

    private const HEAVIEST = 3;

    /** For the key in which the same bars were heard first [start]. */
    private const COMES_BACK = 0.6;

    /**
     * @return list<KeyArea>
     */
    public static function read(Score $score): array
    {
        $bars = self::weights($score);
        $transposition = isset($score->notes[0]) ? $score->notes[0]->transposition() : 0;
        $count = count($bars);
        /** @var list<array<int, float>> $costs */
        $costs = [];
        /** @var list<list<Key>> $keys */
        $keys = [];
        for ($bar = 0; $bar < $count; $bar++) {
            $window = [];
            for ($near = max(0, $bar - self::REACH); $near <= min($count - 1, $bar + self::REACH); $near++) {
                foreach ($bars[$near] as $fifths => $weight) {
                    $window[$fifths] = ($window[$fifths] ?? 0) + $weight * ($near === $bar ? 2 : 1);
                }
            }
            $signature = $score->measures[$bar]->fifths + $transposition;
            $keys[$bar] = self::candidates($signature);
            $costs[$bar] = self::costs($window, $keys[$bar], $signature);
        }

        foreach ([[self::CLOSES, self::chordAt($score, true)], [self::OPENS, self::chordAt($score, false)]] as [$bonus, $chord]) {
            if ($chord !== null) {
                [$bar, $class, $minor] = $chord;
                $costs[$bar][$class + ($minor ? 12 : 0)] -= $bonus;
            }
        }

        $firsts = self::firsts($bars);
        $costs = self::alike($firsts, $costs);
        $path = self::smooth($costs);
        // A passage that comes back is heard in the key it first came in.
        foreach (self::comingBack($firsts) as $bar) {
            $costs[$bar][$path[$firsts[$bar]]] -= self::COMES_BACK;
        }

        return self::areas($score, $keys, self::smooth($costs));
    }

    /**
     * @param  list<array<int, float>>  $bars
     * @return list<int> for each bar the first that has the same notes, or nearly
     */
    private static function firsts(array $bars): array
    {
        $firsts = $different = [];
        foreach ($bars as $bar => $weights) {
            // Only bars with the same heaviest names are compared: of long pieces all would be too many.
            ksort($weights);
            arsort($weights);
            $heaviest = array_slice(array_keys($weights), 0, self::HEAVIEST);
            sort($heaviest);
            $names = implode(' ', $heaviest);
            $like = self::firstLike($different[$names] ?? [], $weights);
            $firsts[] = $like ?? $bar;
            if ($like === null) {
                $different[$names][$bar] = $weights;
            }
        }

        return $firsts;
    }

    /**
     * Bars that come again together with a bar beside them.
     *
     * @param  list<int>  $firsts
     * @return list<int>
     */
    private static function comingBack(array $firsts): array
    {
        $pairs = $back = [];
        foreach (array_slice($firsts, 1) as $bar => $next) {
            $pair = "$firsts[$bar] $next";
            if (isset($pairs[$pair])) {
                $back[$bar] = $bar;
                $back[$bar + 1] = $bar + 1;
            }
            $pairs[$pair] = true;
        }

        return array_values(array_filter($back, fn (int $bar): bool => $firsts[$bar] !== $bar));
    }

    /**
     * @param  array<int, array<int, float>>  $bars
     * @param  array<int, float>  $weights
     */
    private static function firstLike(array $bars, array $weights): ?int
    {
        foreach ($bars as $bar => $other) {
            if (self::likeness($weights, $other) >= self::SAME) {
                return $bar;
            }
        }

        return null;
    }

    /**
     * The cosine of the angle between the weights of two bars: 1 where they are the same.
     *
     * @param  array<int, float>  $one
     * @param  array<int, float>  $other
     */
    private static function likeness(array $one, array $other): float
    {
        $shared = 0.0;
        foreach ($one as $fifths => $weight) {
            $shared += $weight * ($other[$fifths] ?? 0.0);
        }
        $length = fn (array $weights): float => sqrt(array_sum(array_map(fn (float $weight): float => $weight ** 2, $weights)));

        return $one === [] || $other === [] ? 0.0 : $shared / ($length($one) * $length($other));
    }

    /**
     * Bars of the same notes are judged by what is around all of them, so that like passages get like keys.
     *
     * @param  list<int>  $firsts  for each bar the first that has the same notes
     * @param  list<array<int, float>>  $costs
     * @return list<array<int, float>>
     */
    private static function alike(array $firsts, array $costs): array
    {
        $groups = [];
        foreach ($firsts as $bar => $first) {
            $groups[$first][] = $bar;
        }
        foreach ($groups as $group) {
            $rows = array_map(fn (int $bar): array => $costs[$bar], $group);
            $means = array_map(fn (int $key): float => array_sum(array_column($rows, $key)) / count($rows), array_keys($rows[0]));
            foreach ($group as $bar) {
                $costs[$bar] = $means;
            }
        }

        return $costs;
    }

    /**
     * The chord on its root, or the bare root, that a piece begins or ends with: its bar, root as a pitch class, and whether its third is minor.
     *
     * @return ?array{int, int, bool} null where there is none
     */
    private static function chordAt(Score $score, bool $end): ?array
    {
        $notes = array_values(array_filter($score->notes, fn (Note $note): bool => ! $note->grace));
        if ($notes === []) {
            return null;
        }
        $edge = $end ? array_reduce($notes, fn (Fraction $latest, Note $note): Fraction => Fraction::max($latest, $note->end()), $notes[0]->end()) : $notes[0]->onset;
        $sounding = array_values(array_filter($notes, fn (Note $note): bool => $end ? $note->end()->equals($edge) : $note->onset->equals($edge)));
        $root = min([127, ...array_map(fn (Note $note): int => $note->midi, $sounding)]) % 12;
        $above = array_map(fn (Note $note): int => ($note->midi % 12 + 12 - $root) % 12, $sounding);
        $signature = $score->measures[$sounding[0]->measure]->fifths + $sounding[0]->transposition();
        // Without a third it is the tonic of the signature, or says nothing.
        $isMinor = array_diff($above, [0, 7]) === [] ? [Pitch::classAtFifths($signature) => false, Pitch::classAtFifths($signature + 3) => true][$root] ?? null : in_array(3, $above, true);
        $isChord = array_diff($above, [0, 7, $isMinor === true ? 3 : 4]) === [];

        return $isMinor !== null && $isChord ? [$sounding[0]->measure, $root, $isMinor] : null;
    }

    /**
     * @return list<array<int, float>> by bar: weight of each name on the line of fifths
     */
    private static function weights(Score $score): array
    {
        $bars = array_fill(0, count($score->measures), []);
        foreach ($score->notes as $note) {
            $fifths = $note->fifths();
            $weight = min(self::LONGEST, $note->duration->toFloat()) + self::SHORTEST;
            $bars[$note->measure][$fifths] = ($bars[$note->measure][$fifths] ?? 0) + $weight;
        }

        return $bars;
    }

    /**
     * The 24 keys, each spelled as near as possible to the signature; major by pitch class, then minor.
     *
     * @return list<Key>
     */
    private static function candidates(int $signature): array
    {
        $keys = [];
        foreach ([false, true] as $minor) {
            for ($pitchClass = 0; $pitchClass < 12; $pitchClass++) {
                $fifths = ($pitchClass * 7) % 12;
                $centre = $signature + ($minor ? 3 : 0);
                $keys[] = new Key($fifths + 12 * (int) round(($centre - $fifths) / 12), $minor);
            }
        }

        return $keys;
    }

    /**
     * @param  array<int, float>  $window
     * @param  list<Key>  $keys
     * @return array<int, float>
     */
    private static function costs(array $window, array $keys, int $signature): array
    {
        $classes = array_fill(0, 12, 0.0);
        $total = 0.0;
        foreach ($window as $fifths => $weight) {
            $classes[Pitch::classAtFifths($fifths)] += $weight;
            $total += $weight;
        }
        $costs = [];
        foreach ($keys as $index => $key) {
            $distance = abs($key->tonic - ($key->minor ? 3 : 0) - $signature);
            $cost = 1 + self::SIGNATURE * $distance;
            if ($total > 0) {
                $outside = 0.0;
                foreach ($window as $fifths => $weight) {
                    $outside += $key->has($fifths) ? 0 : $weight;
                }
                $cost += self::SPELLING * $outside / $total - self::correlation($classes, $key->minor ? self::MINOR : self::MAJOR, $index % 12);
            }
            $costs[$index] = $cost;
        }

        return $costs;
    }

    /**
     * @param  array<int, float>  $classes
     * @param  list<float>  $profile
     */
    private static function correlation(array $classes, array $profile, int $tonic): float
    {
        $meanX = array_sum($classes) / 12;
        $meanY = array_sum($profile) / 12;
        $xy = $xx = $yy = 0.0;
        for ($step = 0; $step < 12; $step++) {
            $x = $classes[($tonic + $step) % 12] - $meanX;
            $y = $profile[$step] - $meanY;
            $xy += $x * $y;
            $xx += $x * $x;
            $yy += $y * $y;
        }

        return $xx > 0 ? $xy / sqrt($xx * $yy) : 0.0;
    }

    /**
     * @param  list<array<int, float>>  $costs
     * @return list<int> the cheapest sequence of candidates
     */
    private static function smooth(array $costs): array
    {
        $change = count($costs) < self::SHORT ? self::CHANGE_IN_SHORT : self::CHANGE;
        $total = [];
        $from = [];
        foreach ($costs as $bar => $row) {
            if ($bar === 0) {
                $total = $row;

                continue;
            }
            $best = self::cheapest($total);
            $next = [];
            foreach ($row as $index => $cost) {
                $stays = $total[$index] <= $total[$best] + $change;
                $from[$bar][$index] = $stays ? $index : $best;
                $next[$index] = $cost + ($stays ? $total[$index] : $total[$best] + $change);
            }
            $total = $next;
        }
        $path = [];
        $index = self::cheapest($total);
        for ($bar = count($costs) - 1; $bar >= 0; $bar--) {
            array_unshift($path, $index);
            $index = $from[$bar][$index] ?? $index;
        }

        return $path;
    }

    /**
     * @param  array<int, float>  $costs
     */
    private static function cheapest(array $costs): int
    {
        asort($costs);

        return (int) array_key_first($costs);
    }

    /**
     * @param  list<list<Key>>  $keys
     * @param  list<int>  $path
     * @return list<KeyArea>
     */
    private static function areas(Score $score, array $keys, array $path): array
    {
        $areas = [];
        foreach ($path as $bar => $index) {
            $key = $keys[$bar][$index];
            $measure = $score->measures[$bar];
            $last = $areas === [] ? null : $areas[count($areas) - 1];
            if ($last !== null && $last->key == $key) {
                $areas[count($areas) - 1] = new KeyArea($last->from, $measure->end(), $key);
            } else {
                $areas[] = new KeyArea($measure->start, $measure->end(), $key);
            }
        }

        return $areas;
    }
}
