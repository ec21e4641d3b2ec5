<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Measures;

use Tarnwind\Core\Hear\Attack;
use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\MeasureKind;
use Tarnwind\Core\Hear\Measures;
use Tarnwind\Core\Hear\Pair;
use Tarnwind\Core\Hear\Run;
use Tarnwind\Core\Hear\Statistics;
use Tarnwind\Core\Reading\Hand;

/**
 * Whether equal quick notes of a hand are equal, and whether what is written together is struck together.
 */
final class Evenness implements Measures
{
    /** Notes of a run, and how quick they are, in planned ms. */
    private const LEAST = 6;

    private const MOST = 16;

    private const QUICK = 280.0;

    private const SLOWEST = 60.0;

    /** Strokes planned further apart than this, in ms, are rolled. */
    private const ROLLED = 12.0;

    /** The melody may lead by so many ms: Goebl, "Melody lead in piano performance", JASA 110 (2001) [mem]. */
    private const LEAD = 30.0;

    /** One chord alone counts half as much as a bar of them [start]. */
    private const ALONE = 0.5;

    public function of(Comparison $comparison): array
    {
        $measures = [];
        foreach ($comparison->runs as $run) {
            foreach (Hand::cases() as $hand) {
                foreach ($this->figures($run, $hand) as $figure) {
                    $measures[] = $this->evenness($comparison, $figure, $hand);
                }
            }
            $measures = [...$measures, ...$this->together($comparison, $run)];
        }

        return $measures;
    }

    /**
     * Equal notes of a hand that follow each other quickly.
     *
     * @return list<list<array{Attack, float}>> each with the ms at which the hand struck
     */
    private function figures(Run $run, Hand $hand): array
    {
        $figures = [[]];
        foreach ($run->attacks as $attack) {
            $pairs = $attack->of($hand);
            if ($pairs === []) {
                continue;
            }
            $stroke = [$attack, Statistics::mean(array_map(fn (Pair $pair): float => $pair->played->onset, $pairs))];
            $open = $figures[count($figures) - 1];
            [$before, $last] = [$open[count($open) - 2][0] ?? null, $open[count($open) - 1][0] ?? null];
            $width = $last === null ? 0.0 : $attack->planned - $last->planned;
            $isEqual = $last !== null && $width >= self::SLOWEST && $width <= self::QUICK && ($before === null || $attack->at->minus($last->at)->equals($last->at->minus($before->at)));
            if (! $isEqual) {
                // The last of what was before may begin something else.
                $figures[] = $last !== null && $width >= self::SLOWEST && $width <= self::QUICK ? [[$last, $this->struck($last, $hand)]] : [];
            } elseif (count($open) >= self::MOST) {
                $figures[] = [];
            }
            $figures[count($figures) - 1][] = $stroke;
        }

        return array_values(array_filter($figures, fn (array $figure): bool => count($figure) >= self::LEAST));
    }

    private function struck(Attack $attack, Hand $hand): float
    {
        return Statistics::mean(array_map(fn (Pair $pair): float => $pair->played->onset, $attack->of($hand)));
    }

    /**
     * How far strokes lie from a line through them that may quicken or slow down, as a share of the time between them.
     *
     * @param  list<array{Attack, float}>  $figure  with LEAST notes or more
     */
    private function evenness(Comparison $comparison, array $figure, Hand $hand): Measure
    {
        $played = array_column($figure, 1);
        // What is planned otherwise than evenly is taken away first.
        $planned = array_map(fn (array $stroke): float => $stroke[0]->planned, $figure);
        $last = count($figure) - 1;
        $pace = ($played[$last] - $played[0]) / max(1.0, $planned[$last] - $planned[0]);
        $rest = array_map(fn (float $at, float $plan): float => $at - $played[0] - $pace * ($plan - $planned[0]), $played, $planned);
        $left = self::withoutCurve($rest);
        $between = ($played[$last] - $played[0]) / $last;
        $value = Statistics::spread($left) / max(1.0, $between);
        $first = $figure[0][0];
        $ids = array_merge(...array_map(fn (array $stroke): array => array_map(fn (Pair $pair): string => $pair->note->id, $stroke[0]->of($hand)), $figure));

        return new Measure(MeasureKind::Evenness, $first->bar, $first->at, $ids, $value, 0.0, $comparison->limit(MeasureKind::Evenness), $value, $hand->value);
    }

    /**
     * Values less the parabola that lies nearest to them (least squares, by orthogonal polynomials).
     *
     * @param  list<float>  $values
     * @return list<float>
     */
    private static function withoutCurve(array $values): array
    {
        $count = count($values);
        $middle = ($count - 1) / 2;
        $line = array_map(fn (int $index): float => $index - $middle, array_keys($values));
        $square = Statistics::mean(array_map(fn (float $x): float => $x ** 2, $line));
        $curve = array_map(fn (float $x): float => $x ** 2 - $square, $line);
        foreach ([array_fill(0, $count, 1.0), $line, $curve] as $base) {
            $size = array_sum(array_map(fn (float $x): float => $x ** 2, $base));
            $share = $size > 0 ? array_sum(array_map(fn (float $value, float $x): float => $value * $x, $values, $base)) / $size : 0.0;
            $values = array_map(fn (float $value, float $x): float => $value - $share * $x, $values, $base);
        }

        return $values;
    }

    /**
     * Chords of a hand, and the hands, bar by bar.
     *
     * @return list<Measure>
     */
    private function together(Comparison $comparison, Run $run): array
    {
        $chords = $hands = [];
        foreach ($run->attacks as $attack) {
            foreach (Hand::cases() as $hand) {
                $spread = $this->chordSpread($attack->of($hand));
                if ($spread !== null) {
                    $chords[$attack->turn][] = [$attack, $spread];
                }
            }
            $apart = $this->handsApart($attack);
            if ($apart !== null) {
                $hands[$attack->turn][] = [$attack, $apart];
            }
        }
        $measures = [];
        foreach ($chords as $all) {
            $spreads = array_column($all, 1);
            $value = max(Statistics::mean($spreads), self::ALONE * max($spreads));
            $measures[] = Measure::ofAttacks(MeasureKind::ChordSpread, array_column($all, 0), max($spreads), $comparison->limit(MeasureKind::ChordSpread), $value);
        }
        foreach ($hands as $all) {
            $apart = array_column($all, 1);
            $value = count($apart) < 2 ? self::ALONE * abs($apart[0]) : abs(Statistics::mean($apart));
            $measures[] = Measure::ofAttacks(MeasureKind::HandsApart, array_column($all, 0), Statistics::mean($apart), $comparison->limit(MeasureKind::HandsApart), $value);
        }

        return $measures;
    }

    /**
     * Milliseconds from the first to the last of a chord; null for what is none.
     *
     * @param  list<Pair>  $pairs  of one hand
     */
    private function chordSpread(array $pairs): ?float
    {
        if (count($pairs) < 2) {
            return null;
        }
        $planned = array_map(fn (Pair $pair): float => $pair->planned->startMs, $pairs);
        if (max($planned) - min($planned) > self::ROLLED) {
            return null;
        }
        $top = $pairs[0];
        foreach ($pairs as $pair) {
            $top = $pair->planned->midi > $top->planned->midi ? $pair : $top;
        }
        // A melody that leads is taken to come with the rest, as far as melodies lead.
        $lead = min([INF, ...array_map(fn (Pair $pair): float => $pair === $top ? INF : $pair->played->onset, $pairs)]) - $top->played->onset;
        $onsets = array_map(fn (Pair $pair): float => $pair->played->onset + ($pair === $top ? max(0.0, min(self::LEAD, $lead)) : 0.0), $pairs);

        return max($onsets) - min($onsets);
    }

    /**
     * Milliseconds by which the left hand comes after the right one; null where only one plays or something is rolled.
     */
    private function handsApart(Attack $attack): ?float
    {
        [$right, $left] = [$attack->of(Hand::Right), $attack->of(Hand::Left)];
        $planned = array_map(fn (Pair $pair): float => $pair->planned->startMs, $attack->pairs);
        if ($right === [] || $left === [] || max($planned) - min($planned) > self::ROLLED) {
            return null;
        }

        return $this->struck($attack, Hand::Left) - $this->struck($attack, Hand::Right);
    }
}
