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

/**
 * How far layers stand apart, in dB, beside how far they are to: melody over filling, bass against melody, tops of chords over what is
 * struck with them. Bar by bar, or over as many bars as it takes to have some notes of each.
 */
final class LayerBalance implements Measures
{
    /** Notes of each layer that are needed. */
    private const LEAST = 4;

    /** Bars over which they are looked for. */
    private const WIDEST = 4;

    public function of(Comparison $comparison): array
    {
        $measures = [];
        foreach ($this->windows($comparison) as $window) {
            foreach ([[Layer::Filling, MeasureKind::Filling, 1], [Layer::Bass, MeasureKind::Bass, 0]] as [$layer, $kind, $direction]) {
                [$melody, $other] = [$this->in($window, Layer::Melody), $this->in($window, $layer)];
                if (count($melody) < self::LEAST || count($other) < self::LEAST) {
                    continue;
                }
                $heard = $this->level($melody, true) - $this->level($other, true);
                $planned = $this->level($melody, false) - $this->level($other, false);
                // Filling may always be softer; a bass may be neither too loud nor too soft.
                $off = ($direction === 1 ? $planned - $heard : abs($planned - $heard)) - hypot($this->doubt($melody), $this->doubt($other));
                $measures[] = new Measure($kind, $window[0]->note->measure, $comparison->start($window[0]->note->measure), $this->ids($other), $heard, $planned, $comparison->limit($kind), $off, $planned > $heard ? 'loud' : 'soft');
            }
        }

        return [...$measures, ...$this->tops($comparison)];
    }

    /**
     * @return list<non-empty-list<Pair>> notes of bars that follow each other, with enough of them to be compared
     */
    private function windows(Comparison $comparison): array
    {
        $windows = [];
        foreach ($comparison->runs as $run) {
            $open = [];
            $bars = 0;
            $turn = null;
            foreach ($run->attacks as $attack) {
                if ($turn !== null && $attack->turn !== $turn) {
                    $bars++;
                    if ($this->isEnough($open) || $bars >= self::WIDEST) {
                        $windows[] = $open;
                        [$open, $bars] = [[], 0];
                    }
                }
                $turn = $attack->turn;
                $open = [...$open, ...$attack->pairs];
            }
            $windows[] = $open;
        }

        return $windows;
    }

    /**
     * @param  list<Pair>  $pairs
     */
    private function isEnough(array $pairs): bool
    {
        return count($this->in($pairs, Layer::Melody)) >= self::LEAST && max(count($this->in($pairs, Layer::Filling)), count($this->in($pairs, Layer::Bass))) >= self::LEAST;
    }

    /**
     * Chords of the melody: how far the top stands over the rest of it, bar by bar.
     *
     * @return list<Measure>
     */
    private function tops(Comparison $comparison): array
    {
        $bars = [];
        foreach ($comparison->runs as $run) {
            foreach ($run->attacks as $attack) {
                foreach ($attack->in(Layer::Melody) as $top) {
                    $under = array_values(array_filter($attack->of($top->hand), fn (Pair $pair): bool => $pair->planned->midi < $top->planned->midi && $pair->layer !== Layer::Bass));
                    if ($under !== []) {
                        $bars[$attack->turn][] = [$top, $top->level - max(array_map(fn (Pair $pair): float => $pair->level, $under)), $top->plannedLevel - max(array_map(fn (Pair $pair): float => $pair->plannedLevel, $under))];
                    }
                }
            }
        }
        $measures = [];
        foreach ($bars as $chords) {
            // One chord may be struck unluckily; a bar of them is a way of playing.
            if (count($chords) >= 2) {
                [$heard, $planned] = [Statistics::mean(array_column($chords, 1)), Statistics::mean(array_column($chords, 2))];
                $measures[] = new Measure(MeasureKind::TopNote, $chords[0][0]->note->measure, $chords[0][0]->note->onset, $this->ids(array_column($chords, 0)), $heard, $planned, $comparison->limit(MeasureKind::TopNote), $planned - $heard - Statistics::doubt(array_map(fn (array $chord): float => $chord[1] - $chord[2], $chords)));
            }
        }

        return $measures;
    }

    /**
     * @param  list<Pair>  $pairs
     * @return list<Pair>
     */
    private function in(array $pairs, Layer $layer): array
    {
        return array_values(array_filter($pairs, fn (Pair $pair): bool => $pair->layer === $layer));
    }

    /**
     * @param  list<Pair>  $pairs
     */
    private function level(array $pairs, bool $heard): float
    {
        return Statistics::mean(array_map(fn (Pair $pair): float => $heard ? $pair->level : $pair->plannedLevel, $pairs));
    }

    /**
     * How far the mean of what a layer lies from its plan may be off by chance: its standard error.
     *
     * @param  non-empty-list<Pair>  $pairs
     */
    private function doubt(array $pairs): float
    {
        return Statistics::doubt(array_map(fn (Pair $pair): float => $pair->level - $pair->plannedLevel, $pairs));
    }

    /**
     * @param  list<Pair>  $pairs
     * @return list<string>
     */
    private function ids(array $pairs): array
    {
        return array_values(array_unique(array_map(fn (Pair $pair): string => $pair->note->id, $pairs)));
    }
}
