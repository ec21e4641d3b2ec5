<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * A piece as the foot meets it: moments in seconds, with what is struck, held and silent at each.
 */
final readonly class Timeline
{
    /**
     * @param  list<Moment>  $moments  the last one is the end and strikes nothing
     * @param  list<Harmony>  $harmonies
     * @param  list<Measure>  $measures
     */
    public function __construct(
        public array $moments,
        public array $harmonies,
        public TempoMap $tempo,
        public array $measures,
    ) {
    }

    /**
     * The same piece with some of its moments.
     *
     * @param  list<Moment>  $moments
     */
    public function with(array $moments): self
    {
        return new self($moments, $this->harmonies, $this->tempo, $this->measures);
    }

    /**
     * Its moments in pages of bars.
     *
     * @return list<list<Moment>>
     */
    public function pages(): array
    {
        return Bars::inPages(count($this->measures), $this->moments, fn (Moment $moment): int => $moment->measure);
    }

    /**
     * The bars with everything that bears on what is heard from one place to another: strings that may ring, and the
     * harmony from its beginning.
     */
    public function bearingOn(Fraction $from, Fraction $to): Bars
    {
        $seconds = $this->tempo->seconds($from) - Resonance::LONGEST;
        $ringing = $this->barAt(fn (Measure $measure): bool => $this->tempo->seconds($measure->start) <= $seconds);
        $harmony = $this->harmonies[Search::last(count($this->harmonies), fn (int $index): bool => ! $from->isLessThan($this->harmonies[$index]->from))] ?? null;
        $begins = $harmony === null ? $ringing : $this->barAt(fn (Measure $measure): bool => ! $harmony->from->isLessThan($measure->start));

        return new Bars(min($ringing, $begins), $this->barAt(fn (Measure $measure): bool => ! $to->isLessThan($measure->start)));
    }

    /**
     * @param  callable(Measure): bool  $holds  up to some bar
     */
    private function barAt(callable $holds): int
    {
        return Search::last(count($this->measures), fn (int $index): bool => $holds($this->measures[$index]));
    }

    /**
     * Index of the last moment at or before a place in the score.
     */
    public function momentAt(Fraction $at): int
    {
        return Search::last(count($this->moments), fn (int $index): bool => ! $at->isLessThan($this->moments[$index]->at));
    }

    public function momentAtSeconds(float $seconds): int
    {
        return Search::last(count($this->moments), fn (int $index): bool => $seconds >= $this->moments[$index]->seconds - 1e-6);
    }

    public function harmonyAt(int $moment): ?Harmony
    {
        $index = $this->moments[$moment]->harmony;

        return $index === null ? null : $this->harmonies[$index];
    }
}
