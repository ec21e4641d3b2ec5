<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;

/**
 * The chords of running two-part music, at most one a beat, by the best path through them (Viterbi). A beat of two
 * parts says little by itself: its place in the key, what it follows from and what lies in the bass count as well, and
 * a note that comes and goes by step speaks little against a chord. The values are ours, tuned on two pieces [start].
 */
final class TwoPartHarmony
{
    /** So many bars must run in two parts. */
    private const FEWEST_BARS = 4;

    /** Share of the motions within the parts that are steps; a broken chord has few. */
    private const STEPS = 0.3;

    /** How far a note outside speaks against a chord: it comes and goes by leap, does one by step, or both. */
    private const AGAINST = [1.5, 0.6, 0.1];

    /** What a note weighs more, in beats, for being struck; and how many times as much on the first beat, another, off the beat. */
    private const STRUCK = 0.4;

    private const ACCENT = [1.8, 1.0, 0.7];

    /** What a change costs, by the strength of its place: below 0.5, 0.5, 0.75, 1. */
    private const CHANGE = [3.75, 1.5, 0.9, 0.3];

    /** What a change gains whose root falls a fifth, or a fourth, in semitones upwards. */
    private const MOTION = [5 => 0.6, 7 => 0.4];

    /** What a chord gains by its root, third, fifth or seventh in the bass, and by another note there. */
    private const BASS = [0.35, 0.1, 0.05, 0.04];

    private const BASS_OUTSIDE = -0.2;

    private const IN_KEY = 0.15;

    /** By the semitones from the tonic to the root; others are chromatic. */
    private const DEGREE = [0 => 0.15, 2 => 0.05, 3 => 0.1, 4 => -0.25, 5 => 0.2, 7 => 0.4, 8 => 0.15, 9 => 0.0, 10 => 0.1, 11 => 0.0];

    private const CHROMATIC = -0.4;

    /** How far a seventh speaks for its chord: it passes as often. */
    private const SEVENTH = 0.6;

    /** What a quality costs; others are not looked for. */
    private const RARITY = ['major' => 0.0, 'minor' => 0.0, 'dominant-seventh' => 0.15, 'diminished' => 0.95, 'diminished-seventh' => 1.15, 'half-diminished-seventh' => 1.4, 'minor-seventh' => 1.4];

    /** @var list<array{int, Quality, list<int>}> root, quality and pitch classes of every chord */
    private readonly array $chords;

    /** @var array<string, int> how many of the two motions of a note are steps, by id */
    private array $steps = [];

    /** @var array<int, list<Note>> by bar */
    private array $notes = [];

    /**
     * @param  list<KeyArea>  $keys
     */
    private function __construct(private readonly Score $score, private readonly array $keys)
    {
        $chords = [];
        foreach (array_keys(self::RARITY) as $quality) {
            $quality = Quality::from($quality);
            for ($root = 0; $root < 12; $root++) {
                $chords[] = [$root, $quality, array_map(fn (int $interval): int => ($root + $interval) % 12, $quality->intervals())];
            }
        }
        $this->chords = $chords;
        /** @var array<string, list<Note>> $lines */
        $lines = [];
        foreach ($score->notes as $note) {
            if (! $note->grace) {
                $lines["$note->staff/$note->voice"][] = $note;
                for ($bar = $note->measure; isset($score->measures[$bar]) && $score->measures[$bar]->start->isLessThan($note->end()); $bar++) {
                    $this->notes[$bar][] = $note;
                }
            }
        }
        foreach ($lines as $line) {
            foreach ($line as $index => $note) {
                $this->steps[$note->id] = (int) self::isStep($line[$index - 1] ?? null, $note) + (int) self::isStep($line[$index + 1] ?? null, $note);
            }
        }
    }

    /**
     * @param  list<KeyArea>  $keys
     * @return list<array{Fraction, Fraction, int, Quality}> from, to, root as a pitch class, quality: of every stretch that runs in two parts
     */
    public static function read(Score $score, array $keys, Fraction $from, Fraction $to): array
    {
        $reader = new self($score, $keys);
        $harmonies = [];
        foreach ($reader->stretches() as $stretch) {
            $inside = array_values(array_filter($stretch, fn (Measure $measure): bool => ! $measure->start->isLessThan($from) && ! $to->isLessThan($measure->end())));
            $harmonies = [...$harmonies, ...($inside === [] ? [] : $reader->path($inside))];
        }

        return $harmonies;
    }

    /**
     * @return list<list<Measure>>
     */
    private function stretches(): array
    {
        $stretches = [];
        $stretch = [];
        foreach ([...$this->score->measures, null] as $measure) {
            if ($measure !== null && $this->isThin($measure)) {
                $stretch[] = $measure;

                continue;
            }
            if (count($stretch) >= self::FEWEST_BARS && $this->runs($stretch)) {
                $stretches[] = $stretch;
            }
            $stretch = [];
        }

        return $stretches;
    }

    /**
     * Whether two notes sound together at the most.
     */
    private function isThin(Measure $measure): bool
    {
        $ends = [];
        foreach ($this->notes[$measure->index] ?? [] as $note) {
            $start = $note->onset->toFloat();
            $ends = array_filter($ends, fn (float $end): bool => $end > $start + 1e-9);
            $ends[] = $note->end()->toFloat();
            if (count($ends) > 2) {
                return false;
            }
        }

        return $ends !== [];
    }

    /**
     * Whether two parts move, mostly by step, more often than once a beat.
     *
     * @param  list<Measure>  $stretch
     */
    private function runs(array $stretch): bool
    {
        $motions = $steps = $beats = 0;
        $staves = [];
        foreach ($stretch as $measure) {
            $beats += $measure->length->dividedBy($measure->time->beat())->toFloat();
            foreach ($this->notes[$measure->index] as $note) {
                $motions += $note->measure === $measure->index ? 2 : 0;
                $steps += $note->measure === $measure->index ? $this->steps[$note->id] : 0;
                $staves["$note->staff/$note->voice"] = true;
            }
        }

        return count($staves) > 1 && $motions > 2 * $beats && $steps >= self::STEPS * $motions;
    }

    /**
     * @param  non-empty-list<Measure>  $stretch
     * @return list<array{Fraction, Fraction, int, Quality}>
     */
    private function path(array $stretch): array
    {
        $beats = [];
        $best = $back = [];
        foreach ($stretch as $measure) {
            $beat = $measure->time->beat();
            for ($at = $measure->beatOrigin(); $at->isLessThan($measure->end()); $at = $at->plus($beat)) {
                if ($at->plus($beat)->compareTo($measure->start) <= 0) {
                    continue;
                }
                $strength = $measure->time->weightAt($at->minus($measure->beatOrigin()));
                $beats[] = Fraction::max($at, $measure->start);
                $values = $this->values($measure, $at, $at->plus($beat), $strength);
                [$best, $back[]] = $best === [] ? [$values, array_keys($values)] : $this->followed($best, $values, $strength);
            }
        }
        arsort($best);
        $chord = (int) array_key_first($best);
        $harmonies = [];
        $to = end($stretch)->end();
        for ($index = count($beats) - 1; $index >= 0; $index--) {
            $before = $back[$index][$chord];
            if ($index === 0 || $before !== $chord) {
                $harmonies[] = [$beats[$index], $to, $this->chords[$chord][0], $this->chords[$chord][1]];
                $to = $beats[$index];
            }
            $chord = $before;
        }

        return array_reverse($harmonies);
    }

    /**
     * What speaks for each chord in a beat.
     *
     * @return list<float> by chord
     */
    private function values(Measure $measure, Fraction $from, Fraction $to, float $strength): array
    {
        [$start, $end] = [$from->toFloat(), $to->toFloat()];
        $for = $against = array_fill(0, 12, 0.0);
        $lowest = 128;
        foreach ($this->notes[$measure->index] as $note) {
            $onset = $note->onset->toFloat();
            $overlap = min($note->end()->toFloat(), $end) - max($onset, $start);
            if ($overlap <= 1e-9) {
                continue;
            }
            $isStruck = $onset >= $start - 1e-9;
            $place = ! $isStruck ? 1 : ($onset > $start + 1e-9 ? 2 : ($strength >= 1 ? 0 : 1));
            $weight = ($overlap / max(0.5, $end - $start) + ($isStruck ? self::STRUCK : 0.0)) * self::ACCENT[$place];
            $for[$note->midi % 12] += $weight;
            $against[$note->midi % 12] += $weight * self::AGAINST[$this->steps[$note->id]];
            $lowest = min($lowest, $note->midi);
        }
        $key = KeyArea::keyAt($this->keys, $from);
        $scale = $key->scale();
        $tonic = Pitch::classAtFifths($key->tonic);
        $all = array_sum($against);
        $values = [];
        foreach ($this->chords as [$root, $quality, $chord]) {
            $value = (self::DEGREE[($root - $tonic + 12) % 12] ?? self::CHROMATIC) - self::RARITY[$quality->value] - $all;
            $isInKey = true;
            foreach ($chord as $place => $class) {
                $value += ($place === 3 ? self::SEVENTH : 1.0) * $for[$class] + $against[$class];
                $isInKey = $isInKey && $scale[$class];
            }
            $bass = array_search($lowest % 12, $chord, true);
            $value += $lowest === 128 ? 0.0 : ($bass === false ? self::BASS_OUTSIDE : self::BASS[$bass]);
            $values[] = $value + ($isInKey ? self::IN_KEY : 0.0);
        }

        return $values;
    }

    /**
     * @param  list<float>  $before  of the best ways to each chord
     * @param  list<float>  $values  of the chords here
     * @return array{list<float>, list<int>} of the best ways to here, and the chords they come from
     */
    private function followed(array $before, array $values, float $strength): array
    {
        $change = self::CHANGE[Slice::rank($strength)];
        /** @var array<int, int> $bestOn by root */
        $bestOn = [];
        foreach ($this->chords as $index => [$root]) {
            if (! isset($bestOn[$root]) || $before[$index] > $before[$bestOn[$root]]) {
                $bestOn[$root] = $index;
            }
        }
        // Where a chord comes from depends on its root alone, or it goes on.
        $comes = [];
        for ($root = 0; $root < 12; $root++) {
            $comes[$root] = [-INF, 0];
            foreach ($bestOn as $earlier => $index) {
                $value = $before[$index] - $change + (self::MOTION[($root - $earlier + 12) % 12] ?? 0.0);
                $comes[$root] = $value > $comes[$root][0] ? [$value, $index] : $comes[$root];
            }
        }
        $ways = $from = [];
        foreach ($this->chords as $index => [$root]) {
            [$value, $source] = $before[$index] >= $comes[$root][0] ? [$before[$index], $index] : $comes[$root];
            $ways[] = $value + $values[$index];
            $from[] = $source;
        }

        return [$ways, $from];
    }

    private static function isStep(?Note $one, Note $other): bool
    {
        return $one !== null && abs($one->midi - $other->midi) <= 2;
    }
}
