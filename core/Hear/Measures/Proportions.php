<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Measures;

use Tarnwind\Core\Count\CrossRhythm;
use Tarnwind\Core\Count\CrossRhythms;
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
 * Proportions of lengths: dotted and swung notes, and hands that divide the same time differently.
 */
final class Proportions implements Measures
{
    /** Long to short that is looked at, and how short the short one is, in planned ms. */
    private const LEAST = 1.3;

    private const MOST = 4.5;

    private const SHORT = [60.0, 600.0];

    /** Figures that are needed, and bars over which they are looked for. */
    private const FIGURES = 3;

    private const WIDEST = 3;

    /** Sharper than planned is a way of playing: it counts this much [start]. */
    private const SHARPER = 0.4;

    /** Ratios within this of each other are one rhythm. */
    private const ALIKE = 0.05;

    public function of(Comparison $comparison): array
    {
        return [...$this->ratios($comparison), ...$this->crosses($comparison)];
    }

    /**
     * @return list<Measure>
     */
    private function ratios(Comparison $comparison): array
    {
        $measures = [];
        foreach ($comparison->runs as $run) {
            $open = [];
            foreach ($this->figures($run) as $figure) {
                $first = $open[0] ?? null;
                if ($first !== null && ($figure['turn'] - $first['turn'] >= self::WIDEST || abs($figure['planned'] / $first['planned'] - 1) > self::ALIKE || (count($open) >= self::FIGURES && $figure['turn'] !== $first['turn']))) {
                    $measures = [...$measures, ...$this->ratio($comparison, $open)];
                    $open = [];
                }
                $open[] = $figure;
            }
            $measures = [...$measures, ...$this->ratio($comparison, $open)];
        }

        return $measures;
    }

    /**
     * A long note and a short one of a voice, with what follows.
     *
     * @return list<array{turn: int, bar: int, pair: Pair, planned: float, played: float}> by time
     */
    private function figures(Run $run): array
    {
        $voices = $figures = [];
        foreach ($run->attacks as $attack) {
            foreach ($attack->pairs as $pair) {
                $name = "{$pair->hand->value} {$pair->note->voice}";
                $last = $voices[$name][count($voices[$name] ?? []) - 1] ?? null;
                if ($last === null || $last[0] !== $attack) {
                    $voices[$name][] = [$attack, $pair];
                }
            }
        }
        foreach ($voices as $strokes) {
            for ($index = 0; isset($strokes[$index + 2]); $index++) {
                [[$a, $pair], [$b, $short], [$c, $next]] = [$strokes[$index], $strokes[$index + 1], $strokes[$index + 2]];
                $isJoined = $pair->note->end()->equals($b->at) && $short->note->end()->equals($c->at);
                [$long, $brief] = [$b->planned - $a->planned, $c->planned - $b->planned];
                $played = $next->played->onset - $short->played->onset;
                if ($isJoined && $brief >= self::SHORT[0] && $brief <= self::SHORT[1] && $long / $brief >= self::LEAST && $long / $brief <= self::MOST && $played > 1) {
                    $figures[] = ['turn' => $a->turn, 'bar' => $a->bar, 'pair' => $pair, 'planned' => $long / $brief, 'played' => ($short->played->onset - $pair->played->onset) / $played];
                }
            }
        }
        usort($figures, fn (array $a, array $b): int => $a['pair']->planned->startMs <=> $b['pair']->planned->startMs);

        return $figures;
    }

    /**
     * @param  list<array{turn: int, bar: int, pair: Pair, planned: float, played: float}>  $figures
     * @return list<Measure>
     */
    private function ratio(Comparison $comparison, array $figures): array
    {
        if (count($figures) < self::FIGURES) {
            return [];
        }
        [$heard, $planned] = [Statistics::middle(array_column($figures, 'played')), Statistics::middle(array_column($figures, 'planned'))];
        $off = $heard < $planned ? 1 - $heard / $planned : self::SHARPER * ($heard / $planned - 1);
        $first = $figures[0]['pair']->note;

        return [new Measure(
            MeasureKind::Ratio, $first->measure, $first->onset, array_map(fn (array $figure): string => $figure['pair']->note->id, $figures), $heard, $planned, $comparison->limit(MeasureKind::Ratio), $off,
            $heard < $planned ? 'softer' : 'sharper',
        )];
    }

    /**
     * @return list<Measure>
     */
    private function crosses(Comparison $comparison): array
    {
        $performance = $comparison->performance;
        $measures = [];
        foreach (CrossRhythms::find($performance->score(), $performance->reading()->hands) as $cross) {
            // Two voices of one hand are told by what they sound like.
            foreach ($cross->hand === null ? $comparison->runs : [] as $run) {
                $begins = array_filter($run->attacks, fn (Attack $attack): bool => $attack->at->equals($cross->from));
                foreach (array_keys($begins) as $index) {
                    $measures = [...$measures, ...$this->cross($comparison, $cross, $run, $index)];
                }
            }
        }

        return $measures;
    }

    /**
     * How far the strokes of each hand are from where they divide the time evenly, in shares of the shorter notes.
     *
     * @return list<Measure>
     */
    private function cross(Comparison $comparison, CrossRhythm $cross, Run $run, int $index): array
    {
        $from = $run->attacks[$index];
        $to = null;
        $off = $ids = [];
        for ($k = $index; isset($run->attacks[$k]) && $to === null; $k++) {
            $to = $run->attacks[$k]->at->compareTo($cross->to) >= 0 ? $run->attacks[$k] : null;
        }
        if ($to === null || ! $to->at->equals($cross->to)) {
            return [];
        }
        $length = $to->played - $from->played;
        $unit = $length / max($cross->upper, $cross->lower);
        for ($inside = $index + 1; $inside < $k - 1; $inside++) {
            $attack = $run->attacks[$inside];
            foreach (Hand::cases() as $hand) {
                $played = array_map(fn (Pair $pair): float => $pair->played->onset, $attack->of($hand));
                if ($played !== []) {
                    $share = ($attack->planned - $from->planned) / ($to->planned - $from->planned);
                    $off[] = abs(Statistics::mean($played) - $from->played - $share * $length) / $unit;
                    $ids = [...$ids, ...$attack->notes()];
                }
            }
        }
        $value = Statistics::mean($off);

        return $off === [] ? [] : [new Measure(MeasureKind::CrossRhythm, $from->bar, $from->at, array_values(array_unique($ids)), $value, 0.0, $comparison->limit(MeasureKind::CrossRhythm), $value, $cross->inWords())];
    }
}
