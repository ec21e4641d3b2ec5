<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Measures;

use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\MeasureKind;
use Tarnwind\Core\Hear\Measures;
use Tarnwind\Core\Hear\Pair;
use Tarnwind\Core\Hear\Statistics;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\Likeness;
use Tarnwind\Core\Reading\LikenessKind;
use Tarnwind\Core\Shape\Phrase;

/**
 * How phrases grow and fall beside how they are to: where the loudest note came, how far a phrase moves at all, whether an echo is softer,
 * whether passages lie at their level, and whether there is room left before the loudest place.
 */
final class PhraseShape implements Measures
{
    /** Notes of a line that a phrase must have to be judged. */
    private const LEAST = 5;

    /** A plan that moves by less than this, in dB, asks for no shape [start]. */
    private const PLANNED = 1.5;

    /** So many standard errors a slope must be off for it to be told [start]. */
    private const SURE = 3.0;

    /** Places by which another goal must be apart from the planned one [start]. */
    private const APART = 2;

    /** So many times the variance of single strokes an arch to another goal must explain more than the planned one [start]. */
    private const OTHER = 12.0;

    /** Share of the planned range that an arch to another goal must have [start]. */
    private const HALF = 0.5;

    /** dB; by so much a hand is unsteady, whatever few notes seem to tell [start]. */
    private const UNSTEADY = 0.8;

    /** Notes on each side over which a level is smoothed: one note more is an accent and not a goal. */
    private const AROUND = 1;

    /** Echoes and repeats are planned apart by so many dB to be one [start]. */
    private const ECHO = 1.5;

    /** Equal keys struck one after the other that make a figure, and how far the plan has them apart, in dB. */
    private const REPEATED = 4;

    private const LIVING = 1.0;

    /** A bar of the highest level has so many bars before it that lead there. */
    private const LEADING = 4;

    public function of(Comparison $comparison): array
    {
        $phrases = $this->phrases($comparison);

        return [
            ...array_merge(...array_map(fn (array $line): array => $this->shape($comparison, $line), $phrases)),
            ...$this->levels($comparison, $phrases), ...$this->echoes($comparison), ...$this->repeated($comparison), ...$this->accents($comparison), ...$this->headroom($comparison),
        ];
    }

    /**
     * @return list<non-empty-list<Pair>> what was played of the line of every phrase, each time it was
     */
    private function phrases(Comparison $comparison): array
    {
        $phrases = Phrase::all($comparison->performance->score(), $comparison->performance->reading());
        $found = [];
        foreach ($comparison->runs as $run) {
            $open = null;
            $before = null;
            foreach ($run->attacks as $attack) {
                $phrase = null;
                foreach ($phrases as $one) {
                    $phrase = $one->holds($attack->at) ? $one->index : $phrase;
                }
                if ($phrase !== $open || ($before !== null && $attack->at->isLessThan($before))) {
                    $found[] = [];
                }
                [$open, $before] = [$phrase, $attack->at];
                $melody = $attack->in(Layer::Melody);
                if ($melody !== []) {
                    $found[count($found) - 1][] = $melody[count($melody) - 1];
                }
            }
        }

        $told = [];
        foreach ($found as $line) {
            if (count($line) >= self::LEAST) {
                $told[] = $line;
            }
        }

        return $told;
    }

    /**
     * @param  non-empty-list<Pair>  $line
     * @return list<Measure>
     */
    private function shape(Comparison $comparison, array $line): array
    {
        $heard = array_map(fn (Pair $pair): float => $pair->level, $line);
        $planned = array_map(fn (Pair $pair): float => $pair->plannedLevel, $line);
        $meant = $this->smoothed($planned);
        $range = max($meant) - min($meant);
        if ($range < self::PLANNED) {
            return [];
        }
        $goal = (int) array_search(max($meant), $meant, true);
        $elsewhere = $this->goalElsewhere($comparison, $line, $heard, $planned, $goal);
        if ($elsewhere->isFault()) {
            return [$elsewhere];
        }
        // How much of the planned rise and fall there is: the slope of what is heard over what is planned.
        $curve = self::centred($planned);
        $share = self::product($curve, $heard) / self::product($curve, $curve);
        // How far that may be off by chance: the standard error of a slope.
        $rest = array_map(fn (float $level, float $plan): float => $level - $share * $plan, self::centred($heard), $curve);
        $doubt = sqrt(max(self::UNSTEADY ** 2, self::product($rest, $rest) / max(1, count($rest) - 2)) / self::product($curve, $curve));
        $first = $line[0]->note;
        $ids = array_map(fn (Pair $pair): string => $pair->note->id, $line);
        $limit = $comparison->limit(MeasureKind::Flat);

        return [
            new Measure(MeasureKind::Flat, $first->measure, $first->onset, $ids, $share * $range, $range, $limit, 1 - $share - max(0.0, self::SURE * $doubt - $limit)),
            $elsewhere,
        ];
    }

    /**
     * Whether a phrase rises to another note than its goal and falls from it: by the rank of its notes and the slopes around
     * them, not by how far it moves.
     *
     * @param  non-empty-list<Pair>  $line
     * @param  non-empty-list<float>  $heard
     * @param  non-empty-list<float>  $planned
     * @param  int  $goal  place of the loudest by plan
     */
    private function goalElsewhere(Comparison $comparison, array $line, array $heard, array $planned, int $goal): Measure
    {
        $last = count($line) - 1;
        $curve = $this->smoothed($heard);
        [$most, $height, $over] = [-INF, 0.0, 0.0];
        $loudest = null;
        for ($top = 0; $top <= $last; $top++) {
            $arch = array_map(fn (int $place): float => $place <= $top ? ($top === 0 ? 1.0 : $place / $top) : 1 - ($place - $top) / ($last - $top), range(0, $last));
            if (abs($top - $goal) <= self::APART) {
                continue;
            }
            [$explained, $rises] = self::fit($arch, $heard);
            if ($explained > $most) {
                [$most, $height, $over] = [$explained, $rises, $rises * (1 - $arch[$goal])];
            }
            $loudest = $loudest === null || $curve[$top] > $curve[$loudest] ? $top : $loudest;
        }
        $meant = $this->smoothed($planned);
        $isOther = $height >= self::HALF * (max($meant) - min($meant)) && $most - self::fit($planned, $heard)[0] > self::OTHER * self::noise($heard, $planned);
        $loudest ??= $goal;
        $note = $line[$loudest]->note;

        return new Measure(
            MeasureKind::Goal, $note->measure, $note->onset, [$note->id, $line[$goal]->note->id], $over, $planned[$goal] - $planned[$loudest], $comparison->limit(MeasureKind::Goal), $isOther ? $over : 0.0,
        );
    }

    /**
     * How much of what is heard goes along with a curve.
     *
     * @param  array<float>  $curve
     * @param  list<float>  $heard
     * @return array{float, float} the squares that it explains, 0 where it goes the other way; and by what the curve is to be multiplied
     */
    private static function fit(array $curve, array $heard): array
    {
        $curve = self::centred($curve);
        [$along, $square] = [self::product($curve, $heard), max(1e-9, self::product($curve, $curve))];

        return [$along <= 0 ? 0.0 : $along ** 2 / $square, $along / $square];
    }

    /**
     * Variance of single strokes around what is meant: from how the differences to the plan turn from stroke to stroke, so that
     * another arch is none.
     *
     * @param  list<float>  $heard
     * @param  list<float>  $planned
     */
    private static function noise(array $heard, array $planned): float
    {
        $off = array_map(fn (float $level, float $plan): float => $level - $plan, $heard, $planned);
        $turns = [];
        for ($place = 1; $place < count($off) - 1; $place++) {
            $turns[] = ($off[$place - 1] - 2 * $off[$place] + $off[$place + 1]) ** 2 / 6;
        }

        return max((self::UNSTEADY / 2) ** 2, Statistics::mean($turns));
    }

    /**
     * @param  array<float>  $values
     * @return list<float> less their mean
     */
    private static function centred(array $values): array
    {
        $values = array_values($values);
        $mean = Statistics::mean($values);

        return array_map(fn (float $value): float => $value - $mean, $values);
    }

    /**
     * @param  list<float>  $one
     * @param  list<float>  $other
     */
    private static function product(array $one, array $other): float
    {
        return array_sum(array_map(fn (float $a, float $b): float => $a * $b, $one, $other));
    }

    /**
     * @param  non-empty-list<float>  $levels
     * @return non-empty-list<float>
     */
    private function smoothed(array $levels): array
    {
        return array_map(fn (int $index): float => Statistics::mean(array_slice($levels, max(0, $index - self::AROUND), $index + self::AROUND + 1 - max(0, $index - self::AROUND))), array_keys($levels));
    }

    /**
     * Phrases as a whole, beside the level of the whole take.
     *
     * @param  list<non-empty-list<Pair>>  $phrases
     * @return list<Measure>
     */
    private function levels(Comparison $comparison, array $phrases): array
    {
        $measures = [];
        // Only the line: what is loud beneath it is a matter of balance.
        foreach ($phrases as $pairs) {
            $differences = array_map(fn (Pair $pair): float => $pair->level - $pair->plannedLevel, $pairs);
            $off = Statistics::mean($differences);
            $planned = Statistics::mean(array_map(fn (Pair $pair): float => $pair->plannedLevel, $pairs));
            $first = $pairs[0]->note;
            $measures[] = new Measure(MeasureKind::Level, $first->measure, $first->onset, [], $planned + $off, $planned, $comparison->limit(MeasureKind::Level), abs($off) - Statistics::doubt($differences), $off > 0 ? 'loud' : 'soft');
        }

        return $measures;
    }

    /**
     * Bars that return and are planned otherwise: softer as an echo, or stronger.
     *
     * @return list<Measure>
     */
    private function echoes(Comparison $comparison): array
    {
        $byBar = [];
        foreach ($this->carrying($comparison->pairs) as $pair) {
            $byBar[$pair->note->measure][] = $pair;
        }
        $measures = [];
        foreach ($comparison->performance->reading()->likenesses as $likeness) {
            $isReturn = in_array($likeness->kind, [LikenessKind::Exact, LikenessKind::Near], true) && $likeness->hand === null && $likeness->length >= 1;
            $here = $isReturn ? $this->inBars($byBar, $likeness->from, $likeness) : [];
            $there = $isReturn ? $this->inBars($byBar, $likeness->like, $likeness) : [];
            if (count($here) < self::LEAST || count($there) < self::LEAST) {
                continue;
            }
            $planned = $this->level($here, false) - $this->level($there, false);
            if (abs($planned) < self::ECHO) {
                continue;
            }
            $heard = $this->level($here, true) - $this->level($there, true);
            $measures[] = new Measure(MeasureKind::Echo, $likeness->from, $comparison->start($likeness->from), [], $heard, $planned, $comparison->limit(MeasureKind::Echo), ($planned > 0 ? $planned - $heard : $heard - $planned) - hypot($this->doubt($here), $this->doubt($there)), (string) $likeness->like);
        }

        return $measures;
    }

    /**
     * @param  list<Pair>  $pairs
     */
    private function level(array $pairs, bool $heard): float
    {
        return Statistics::mean(array_map(fn (Pair $pair): float => $heard ? $pair->level : $pair->plannedLevel, $pairs));
    }

    /**
     * How far the mean of what some notes are off may itself be off by chance, dB.
     *
     * @param  list<Pair>  $pairs
     */
    private function doubt(array $pairs): float
    {
        return Statistics::doubt(array_map(fn (Pair $pair): float => $pair->level - $pair->plannedLevel, $pairs));
    }

    /**
     * What carries: filling that is loud by itself is a matter of balance.
     *
     * @param  list<Pair>  $pairs
     * @return list<Pair>
     */
    private function carrying(array $pairs): array
    {
        return array_values(array_filter($pairs, fn (Pair $pair): bool => $pair->layer !== Layer::Filling));
    }

    /**
     * @param  array<int, list<Pair>>  $byBar
     * @return list<Pair>
     */
    private function inBars(array $byBar, int $from, Likeness $likeness): array
    {
        return array_merge([], ...array_values(array_intersect_key($byBar, array_flip(range($from, $from + $likeness->length - 1)))));
    }

    /**
     * A key that is struck again and again is never struck alike.
     *
     * @return list<Measure>
     */
    private function repeated(Comparison $comparison): array
    {
        $groups = $open = [];
        foreach ($comparison->runs as $run) {
            foreach ($run->attacks as $attack) {
                foreach (Layer::cases() as $layer) {
                    $pairs = $attack->in($layer);
                    $pair = $pairs[count($pairs) - 1] ?? null;
                    if ($pair !== null) {
                        $before = $open[$layer->value] ?? [];
                        if ($before !== [] && $before[0]->planned->midi !== $pair->planned->midi) {
                            $groups[] = $before;
                            $before = [];
                        }
                        $open[$layer->value] = [...$before, $pair];
                    }
                }
            }
            $groups = [...$groups, ...array_values($open)];
            $open = [];
        }
        $measures = [];
        foreach ($groups as $group) {
            $planned = Statistics::spread(array_map(fn (Pair $pair): float => $pair->plannedLevel, $group));
            if (count($group) >= self::REPEATED && $planned >= self::LIVING) {
                $heard = Statistics::spread(array_map(fn (Pair $pair): float => $pair->level, $group));
                $limit = $comparison->limit(MeasureKind::Repeated);
                // Beside nothing at all even unsteady fingers differ: only what is nearly equal is told.
                $measures[] = new Measure(MeasureKind::Repeated, $group[0]->note->measure, $group[0]->note->onset, array_map(fn (Pair $pair): string => $pair->note->id, $group), $heard, $planned, $limit, $heard < self::LIVING / 2 ? $planned - $heard : 0.0);
            }
        }

        return $measures;
    }

    /**
     * What falls on the first beat against what does not, in accompaniment, over the whole take.
     *
     * @return list<Measure>
     */
    private function accents(Comparison $comparison): array
    {
        $on = $off = [];
        foreach ($comparison->pairs as $pair) {
            if (in_array($pair->layer, [Layer::Filling, Layer::Melody], true)) {
                $difference = $pair->level - $pair->plannedLevel;
                $measure = $comparison->performance->score()->measures[$pair->note->measure];
                if ($pair->note->onset->minus($measure->beatOrigin())->dividedBy($measure->time->beat())->denominator === 1) {
                    $on[] = $difference;
                } else {
                    $off[] = $difference;
                }
            }
        }
        if (count($on) < 4 * self::LEAST || count($off) < 4 * self::LEAST) {
            return [];
        }
        $value = Statistics::mean($on) - Statistics::mean($off);
        $first = $comparison->pairs[0]->note;

        return [new Measure(MeasureKind::Accents, $first->measure, $first->onset, [], $value, 0.0, $comparison->limit(MeasureKind::Accents), $value)];
    }

    /**
     * The bars before the loudest one: growth is earned.
     *
     * @return list<Measure>
     */
    private function headroom(Comparison $comparison): array
    {
        $bars = $numbers = [];
        foreach ($comparison->runs as $run) {
            foreach ($run->attacks as $attack) {
                $bars[$attack->turn] = [...$bars[$attack->turn] ?? [], ...$this->carrying($attack->pairs)];
                $numbers[$attack->turn] = $attack->bar;
            }
        }
        $bars = array_filter($bars);
        if (count($bars) < 2 * self::LEADING) {
            return [];
        }
        $planned = array_map(fn (array $pairs): float => $this->level($pairs, false), $bars);
        $top = (int) array_search(max($planned), $planned, true);
        $lead = array_filter($bars, fn (int $turn): bool => $turn < $top && $turn >= $top - self::LEADING, ARRAY_FILTER_USE_KEY);
        if (count($lead) < self::LEADING) {
            return [];
        }
        $room = fn (bool $heard): float => $this->level($bars[$top], $heard) - max(array_map(fn (array $pairs): float => $this->level($pairs, $heard), $lead));
        [$heard, $meant] = [$room(true), $room(false)];

        return [new Measure(MeasureKind::Headroom, $numbers[$top], $comparison->start($numbers[$top]), [], $heard, $meant, $comparison->limit(MeasureKind::Headroom), $meant - $heard)];
    }
}
