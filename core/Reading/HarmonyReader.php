<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Labels the harmonies of a piece by template match, joined by dynamic programming:
 * Pardo & Birmingham, "Algorithms for chordal analysis", Computer Music Journal 26(2), 2002.
 *
 * A segment scores the weight of its chord notes, less that of the others, less what the chord misses;
 * weights here are beats of sounding time. Beginnings off the beat cost more [start].
 */
final class HarmonyReader
{
    /** How many slices one harmony may join; a longer one is joined from equal neighbours. */
    private const MOST_SLICES = 16;

    private const STRUCK = 0.3;

    /** Weight of a short note that is alone at its onset and comes and goes by step: most likely passing. */
    private const PASSING = 0.35;

    private const BASS_IS_ROOT = 0.35;

    private const BASS_OUTSIDE = 0.45;

    private const IN_KEY = 0.25;

    /** What a chord without third or fifth loses; one without its root, or its seventh, is another chord. */
    private const NO_THIRD = 1.0;

    private const NO_FIFTH = 0.4;

    /** How much less likely a quality is than a plain triad or a dominant seventh, in beats. */
    private const RARITY = [
        'major-seventh' => 0.3, 'minor-seventh' => 0.1, 'half-diminished-seventh' => 0.1, 'diminished-seventh' => 0.3,
        'diminished' => 0.15, 'augmented' => 0.3,
    ];

    /** How far the seventh speaks for a chord: in these it is as often a passing note. */
    private const SEVENTH = ['major-seventh' => 0.5, 'minor-seventh' => 0.6, 'half-diminished-seventh' => 0.6];

    /** What a new harmony costs, by the strength of its place in the bar: below 0.5, 0.5, 0.75, 1. */
    private const CHANGE = [1.1, 0.8, 0.4, 0.25];

    /**
     * @param  list<KeyArea>  $keys
     * @return list<Harmony>
     */
    public static function read(Score $score, array $keys): array
    {
        $slices = self::slices($score);
        $scales = self::scales($keys, $slices);
        $count = count($slices);
        $best = [0.0];
        /** @var array<int, array{int, ?int, ?Quality}> $from */
        $from = [];
        for ($end = 1; $end <= $count; $end++) {
            $best[$end] = -INF;
        }
        for ($start = 0; $start < $count; $start++) {
            $weights = array_fill(0, 24, 0.0);
            $total = 0.0;
            $lowest = 128;
            $strength = $slices[$start]->strength;
            $change = self::CHANGE[$strength >= 1 ? 3 : ($strength >= 0.75 ? 2 : ($strength >= 0.5 ? 1 : 0))];
            for ($end = $start; $end < min($count, $start + self::MOST_SLICES); $end++) {
                foreach ($slices[$end]->weights as $class => $weight) {
                    $weights[$class] += $weight;
                    $weights[$class + 12] += $weight;
                    $total += $weight;
                }
                $lowest = min($lowest, $slices[$end]->lowest);
                [$value, $root, $quality] = $total > 0 ? self::match($weights, $total, $lowest % 12, $scales[$start]) : [0.0, null, null];
                $value += $best[$start] - $change;
                if ($value > $best[$end + 1]) {
                    $best[$end + 1] = $value;
                    $from[$end + 1] = [$start, $root, $quality];
                }
            }
        }
        $segments = [];
        for ($end = $count; $end > 0; $end = $from[$end][0]) {
            $segments[] = [$from[$end][0], $end, $from[$end][1], $from[$end][2]];
        }

        return self::label($score, $keys, $slices, self::merge(array_reverse($segments)));
    }

    /**
     * The best chord for the weights of a segment.
     *
     * @param  array<int, float>  $weights  by pitch class, twice over
     * @param  array<int, bool>  $scale  pitch classes of the key
     * @return array{float, int, Quality}
     */
    private static function match(array $weights, float $total, int $bass, array $scale): array
    {
        $best = -INF;
        $bestRoot = 0;
        $bestQuality = Quality::Major;
        $templates = self::templates();
        for ($root = 0; $root < 12; $root++) {
            $w0 = $weights[$root];
            if ($w0 == 0.0) {
                continue;
            }
            $rooted = 2 * $w0 - $total + ($bass === $root ? self::BASS_IS_ROOT : 0.0) + 0.02 * $w0 / $total;
            foreach ($templates as [$quality, $third, $fifth, $seventh, $rarity, $share]) {
                $w3 = $seventh > 0 ? $weights[$root + $seventh] : 0.0;
                if ($seventh > 0 && $w3 == 0.0) {
                    continue;
                }
                $w1 = $weights[$root + $third];
                $w2 = $weights[$root + $fifth];
                $value = $rooted + 2 * ($w1 + $w2 + $share * $w3) - $rarity - ($w1 > 0 ? 0.0 : self::NO_THIRD) - ($w2 > 0 ? 0.0 : self::NO_FIFTH);
                if ($value + self::IN_KEY <= $best) {
                    continue;
                }
                $thirdClass = ($root + $third) % 12;
                $fifthClass = ($root + $fifth) % 12;
                $seventhClass = ($root + $seventh) % 12;
                if ($bass !== $root && $bass !== $thirdClass && $bass !== $fifthClass && $bass !== $seventhClass) {
                    $value -= self::BASS_OUTSIDE;
                }
                if ($scale[$root] && $scale[$thirdClass] && $scale[$fifthClass] && $scale[$seventhClass]) {
                    $value += self::IN_KEY;
                }
                if ($value > $best) {
                    $best = $value;
                    $bestRoot = $root;
                    $bestQuality = $quality;
                }
            }
        }

        return [$best, $bestRoot, $bestQuality];
    }

    /**
     * @return list<array{Quality, int, int, int, float, float}> quality, third, fifth and seventh (0 for a triad) in semitones, rarity, share of the seventh
     */
    private static function templates(): array
    {
        static $templates = null;

        return $templates ??= array_map(function (Quality $quality): array {
            [, $third, $fifth] = $quality->intervals();

            return [$quality, $third, $fifth, $quality->intervals()[3] ?? 0, self::RARITY[$quality->value] ?? 0.0, self::SEVENTH[$quality->value] ?? 1.0];
        }, Quality::cases());
    }

    /**
     * Harmony may change at onsets on beats and their halves or thirds, and wherever three notes begin.
     *
     * @return list<Slice>
     */
    private static function slices(Score $score): array
    {
        $struck = [];
        foreach ($score->notes as $note) {
            $struck[(string) $note->onset] = ($struck[(string) $note->onset] ?? 0) + ($note->grace ? 0 : 1);
        }
        $slices = [];
        $places = [];
        $previous = null;
        foreach ($score->notes as $note) {
            if ($note->grace || $previous?->equals($note->onset) === true) {
                continue;
            }
            $previous = $note->onset;
            $measure = $score->measures[$note->measure];
            $beat = $measure->time->beat();
            $offset = $note->onset->minus($measure->beatOrigin());
            $part = $offset->dividedBy($beat)->denominator;
            if ($places === [] || $part <= ($beat->numerator === 3 ? 3 : 2) || $struck[(string) $note->onset] >= 3) {
                $places[] = [$note->onset, $measure->time->weightAt($offset), $beat->toFloat(), $note->measure];
            }
        }
        foreach ($places as $index => [$onset, $strength, $beat, $measure]) {
            $end = isset($places[$index + 1]) ? $places[$index + 1][0]->toFloat() : $score->end()->toFloat();
            $slices[] = new Slice($onset, $onset->toFloat(), max($end, $onset->toFloat() + 1e-6), $strength, $beat, $measure);
        }
        self::fill($slices, $score->notes, self::passing($score, $struck));

        return $slices;
    }

    /**
     * @param  array<string, int>  $struck  notes by onset
     * @return array<string, true> ids of notes that are probably passing
     */
    private static function passing(Score $score, array $struck): array
    {
        /** @var array<string, list<Note>> $lines */
        $lines = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $lines["$note->staff/$note->voice"][] = $note;
            }
        }
        $passing = [];
        foreach ($lines as $line) {
            for ($index = 1; $index + 1 < count($line); $index++) {
                [$before, $note, $after] = [$line[$index - 1], $line[$index], $line[$index + 1]];
                $in = abs($note->midi - $before->midi);
                $out = abs($after->midi - $note->midi);
                $beat = $score->measures[$note->measure]->time->beat();
                if ($in >= 1 && $in <= 2 && $out >= 1 && $out <= 2 && $note->duration->isLessThan($beat) && $struck[(string) $note->onset] === 1) {
                    $passing[$note->id] = true;
                }
            }
        }

        return $passing;
    }

    /**
     * @param  list<Slice>  $slices
     * @param  list<Note>  $notes
     * @param  array<string, true>  $passing
     */
    private static function fill(array $slices, array $notes, array $passing): void
    {
        $first = 0;
        foreach ($notes as $note) {
            if ($note->grace) {
                continue;
            }
            $start = $note->onset->toFloat();
            $end = $start + $note->duration->toFloat();
            while ($first < count($slices) && $slices[$first]->end <= $start) {
                $first++;
            }
            for ($index = $first; $index < count($slices) && $slices[$index]->start < $end; $index++) {
                $slices[$index]->add($note, $start, $end, $index === $first ? self::STRUCK : 0.0, isset($passing[$note->id]) ? self::PASSING : 1.0);
            }
        }
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
        foreach ($slices as $slice) {
            while (isset($keys[$area + 1]) && ! $slice->from->isLessThan($keys[$area]->to)) {
                $area++;
            }
            $scale = array_fill(0, 12, false);
            for ($fifths = $keys[$area]->key->tonic - 4; $fifths <= $keys[$area]->key->tonic + 5; $fifths++) {
                if ($keys[$area]->key->has($fifths)) {
                    $scale[(($fifths * 7) % 12 + 12) % 12] = true;
                }
            }
            $scales[] = $scale;
        }

        return $scales;
    }

    /**
     * Equal neighbours become one; silence goes on with the harmony before it.
     *
     * @param  list<array{int, int, ?int, ?Quality}>  $segments
     * @return list<array{int, int, int, Quality}>
     */
    private static function merge(array $segments): array
    {
        $merged = [];
        foreach ($segments as [$start, $end, $root, $quality]) {
            $last = array_pop($merged);
            if ($last !== null && ($root === null || ($last[2] === $root && $last[3] === $quality))) {
                $merged[] = [$last[0], $end, $last[2], $last[3]];

                continue;
            }
            if ($last !== null) {
                $merged[] = $last;
            }
            if ($root !== null && $quality !== null) {
                $merged[] = [$start, $end, $root, $quality];
            }
        }

        return $merged;
    }

    /**
     * @param  list<KeyArea>  $keys
     * @param  list<Slice>  $slices
     * @param  list<array{int, int, int, Quality}>  $segments
     * @return list<Harmony>
     */
    private static function label(Score $score, array $keys, array $slices, array $segments): array
    {
        $spelled = [];
        $area = 0;
        foreach ($segments as [$start, $end, $root, $quality]) {
            while (isset($keys[$area + 1]) && ! $slices[$start]->from->isLessThan($keys[$area]->to)) {
                $area++;
            }
            $spelled[] = [$keys[$area]->key, Spelling::ofRoot(array_slice($slices, $start, $end - $start), $root, $quality, $keys[$area]->key)];
        }
        $harmonies = [];
        foreach ($segments as $index => [$start, $end, , $quality]) {
            $inside = array_slice($slices, $start, $end - $start);
            [$key, $root] = $spelled[$index];
            $bass = self::bass($inside);
            $place = $bass === null ? false : array_search($bass - $root, $quality->fifths(), true);
            $inversion = $place === false ? 0 : $place;
            $harmonies[] = new Harmony(
                $index === 0 ? $score->measures[0]->start : $slices[$start]->from,
                $end < count($slices) ? $slices[$end]->from : $score->end(),
                $root, $quality, $bass, $inversion,
                Numerals::of($key, $root, $quality, $inversion, $spelled[$index + 1][1] ?? null),
                self::outside($inside, $root, $quality),
            );
        }

        return $harmonies;
    }

    /**
     * The lowest note that sounds within the first beat.
     *
     * @param  list<Slice>  $slices
     */
    private static function bass(array $slices): ?int
    {
        $lowest = null;
        foreach ($slices as $slice) {
            if ($lowest !== null && $slice->start >= $slices[0]->start + $slices[0]->beat) {
                break;
            }
            foreach ($slice->notes as $note) {
                if ($lowest === null || $note->midi < $lowest->midi) {
                    $lowest = $note;
                }
            }
        }

        return $lowest?->fifths();
    }

    /**
     * @param  list<Slice>  $slices
     * @return list<string>
     */
    private static function outside(array $slices, int $root, Quality $quality): array
    {
        $class = (($root * 7) % 12 + 12) % 12;
        $chord = array_map(fn (int $interval): int => ($class + $interval) % 12, $quality->intervals());
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
