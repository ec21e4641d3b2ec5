<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;

/**
 * The tempo from place to place as marks and words have it.
 */
final class PacedTempo
{
    /** Quarters from step to step of a tempo that changes bit by bit. */
    private const FINE = 0.25;

    /** Bars that a gradual change lasts where nothing says how long [start]; then the tempo before it returns. */
    private const LONGEST = 4;

    /** @var non-empty-list<array{float, float}> quarter, and quarters a minute from there; by quarter, the first 0 */
    public array $steps;

    /** @var list<Fraction> where each of what is said has its end, by its index in the course */
    public array $ends = [];

    /** The tempo that was marked last, to which "a tempo" goes back. */
    private float $main;

    public function __construct(Course $course, private readonly Score $score)
    {
        $this->steps = [[0.0, $course->first]];
        $this->main = $course->first;
        foreach ($course->paces as $index => $pace) {
            $next = $this->nextAfter($course->paces, $index);
            $this->ends[] = match ($pace->change) {
                TempoChange::Gradual => $this->change($pace, $next),
                TempoChange::Free => $this->free($pace, $next),
                default => $next ?? $score->end(),
            };
            match ($pace->change) {
                TempoChange::Gradual, TempoChange::Free => null,
                TempoChange::Marked => $this->put($pace->at->toFloat(), $this->main = $pace->value),
                TempoChange::AtOnce => $this->put($pace->at->toFloat(), $this->main *= $pace->value),
                TempoChange::Back => $this->put($pace->at->toFloat(), $this->main),
                TempoChange::First => $this->put($pace->at->toFloat(), $this->main = $course->first),
            };
        }
    }

    /**
     * Quarters a minute at a place.
     */
    public function at(float $quarters): float
    {
        return $this->steps[Search::last(count($this->steps), fn (int $index): bool => $this->steps[$index][0] <= $quarters)][1];
    }

    /**
     * @param  list<Pace>  $paces
     */
    private function nextAfter(array $paces, int $index): ?Fraction
    {
        for ($next = $index + 1; $next < count($paces); $next++) {
            if ($paces[$index]->at->isLessThan($paces[$next]->at)) {
                return $paces[$next]->at;
            }
        }

        return null;
    }

    /**
     * Changes the tempo bit by bit: to where it is said to end, else up to what is said next.
     *
     * @param  ?Fraction  $next  where something is said of the tempo again
     * @return Fraction where it ends
     */
    private function change(Pace $pace, ?Fraction $next): Fraction
    {
        $bar = $this->score->measureAt($pace->at)->time->length()->times(Fraction::of(self::LONGEST));
        $end = $this->score->end();
        $to = $pace->to ?? $next ?? $pace->at->plus($bar);
        foreach ([$next, $end, $pace->to === null ? $pace->at->plus($bar) : null] as $limit) {
            $to = $limit !== null && $limit->isLessThan($to) ? $limit : $to;
        }
        // What has slowed down shortly before the end stays slow.
        $isLast = $pace->isSlowing() && $next === null && ! $to->plus($bar)->isLessThan($end) && $pace->to !== null;
        $this->curve($pace->at, $to, fn (float $done): float => Slowing::tempoAt($done, $pace->value, $pace->shape));
        $isFollowed = $next !== null && $to->equals($next);
        if (! $isFollowed && $to->isLessThan($end)) {
            $this->put($to->toFloat(), $pace->stays || $isLast ? $this->steps[count($this->steps) - 1][1] : $this->main);
        }

        return $to;
    }

    private function free(Pace $pace, ?Fraction $next): Fraction
    {
        $to = $pace->to ?? $next ?? $this->score->end();
        $to = $next !== null && $next->isLessThan($to) ? $next : $to;
        $this->curve($pace->at, $to, Slowing::freeAt(...));
        if ($to->isLessThan($this->score->end())) {
            $this->put($to->toFloat(), $this->main);
        }

        return $to;
    }

    /**
     * @param  callable(float): float  $share  of the tempo before, by the fraction that is over
     */
    private function curve(Fraction $at, Fraction $end, callable $share): void
    {
        [$from, $to] = [$at->toFloat(), $end->toFloat()];
        $before = $this->steps[count($this->steps) - 1][1];
        for ($quarter = $from; $quarter < $to - 1e-9; $quarter += self::FINE) {
            $this->put($quarter, $before * $share(($quarter + min(self::FINE, $to - $quarter) / 2 - $from) / ($to - $from)));
        }
    }

    private function put(float $at, float $tempo): void
    {
        $last = count($this->steps) - 1;
        if ($at > $this->steps[$last][0]) {
            $this->steps[] = [$at, $tempo];
        } elseif ($at === $this->steps[$last][0]) {
            $this->steps[$last] = [$at, $tempo];
        }
    }
}
