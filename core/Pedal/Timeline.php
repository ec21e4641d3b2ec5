<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\Paged;
use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * A piece as the foot meets it: moments in seconds, with what is struck, held and silent at each.
 */
final readonly class Timeline implements Paged
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

    public static function in(Performance $performance): static
    {
        $reading = $performance->reading();

        return TimelineBuilder::build(
            $performance->score(), $reading, $reading->harmonies, $performance->tempo(), $performance->part(Joints::class), $performance->lengths(),
            $performance->levels(), $performance->dynamics(),
        );
    }

    public static function restsOn(): array
    {
        return [...Levels::RESTS_ON, Aspect::Hands, Aspect::Fingers, Aspect::Lengths];
    }

    public function frame(): static
    {
        return $this->with([]);
    }

    /**
     * The same piece with some of its moments.
     *
     * @param  list<Moment>  $contents
     */
    public function with(array $contents): static
    {
        return new self($contents, $this->harmonies, $this->tempo, $this->measures);
    }

    public function needed(Bars $asked, Performance $performance): Bars
    {
        return $this->bearingOn(...Examiner::widened($this->printed($performance->written), ...$this->around($asked, $performance)));
    }

    /**
     * From where to where some bars are answered for: with every pedal, planned or printed, that touches them.
     *
     * @return array{Fraction, Fraction}
     */
    public function around(Bars $asked, Performance $performance): array
    {
        $planned = Examiner::widened($performance->spans(), ...$this->places($asked));

        return Examiner::widened($performance->spans(), ...Examiner::widened($this->printed($performance->written), ...$planned));
    }

    /**
     * The printed pedals, each from what is struck to what is struck.
     *
     * @return list<Span>
     */
    public function printed(Score $score): array
    {
        return PrintedPedal::meant($score, array_map(fn (Moment $moment): Fraction => $moment->at, $this->moments));
    }

    /**
     * Where some bars begin and end, in quarters; within the piece.
     *
     * @return array{Fraction, Fraction}
     */
    public function places(Bars $bars): array
    {
        $last = count($this->measures) - 1;

        return [$this->measures[min($last, $bars->first)]->start, $this->measures[min($last, $bars->last)]->end()];
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

    /**
     * What a key is called in the score, as it was last spelled there up to a moment.
     */
    public function nameOf(int $midi, int $moment): string
    {
        return $this->lastStroke($midi, $moment)->name ?? KeyNames::of($midi);
    }

    /**
     * The last stroke of a key up to a moment.
     */
    public function lastStroke(int $midi, int $moment): ?Strike
    {
        for ($k = $moment; $k >= 0; $k--) {
            foreach ($this->moments[$k]->strikes as $strike) {
                if ($strike->midi === $midi) {
                    return $strike;
                }
            }
        }

        return null;
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

    /**
     * The first moment of the harmony that stands at one.
     */
    public function harmonyBegins(int $moment): int
    {
        while ($moment > 0 && $this->moments[$moment - 1]->harmony === $this->moments[$moment]->harmony) {
            $moment--;
        }

        return $moment;
    }
}
