<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;

/**
 * From quarters in the score to seconds, in written order; each bar as it goes the last time it is played.
 */
final readonly class TempoMap
{
    /**
     * @param  float  $first  quarters a minute at the beginning
     * @param  non-empty-list<array{float, float, float}>  $steps  quarter, second, quarters a minute from there
     * @param  list<array{float, float}>  $silences  quarters in which nothing sounds that ends by then
     * @param  array<string, self>  $earlier  how it goes the first time and between, where that differs
     */
    private function __construct(private float $first, private array $steps, private ?Swing $swing = null, private array $silences = [], private array $earlier = [])
    {
    }

    /**
     * As it is printed.
     *
     * @param  ?float  $quartersPerMinute  what the beginning is to be; later tempo marks keep their proportion to it
     */
    public static function of(Score $score, ?float $quartersPerMinute = null): self
    {
        return self::along(Course::printed($score, $quartersPerMinute), $score);
    }

    public static function along(Course $course, Score $score): self
    {
        $earlier = [];
        foreach ($course->differsByPass() ? [Pass::First, Pass::Between] : [] as $pass) {
            $earlier[$pass->value] = self::through($course, Elapsed::of($course, $score, $pass));
        }

        return self::through($course, Elapsed::of($course, $score), $earlier);
    }

    /**
     * @param  array<string, self>  $earlier
     */
    private static function through(Course $course, Elapsed $elapsed, array $earlier = []): self
    {
        $steps = [];
        $second = 0.0;
        foreach ($elapsed->pieces as ['from' => $from, 'to' => $to, 'tempo' => $tempo, 'bends' => $bends]) {
            foreach ($bends as $index) {
                $tempo /= $elapsed->bends[$index]->factor;
            }
            $steps[] = [$from, $second, $tempo];
            $second += ($to - $from) * 60 / $tempo;
        }

        return new self($course->first, $steps, $course->swing, $elapsed->silences, $earlier);
    }

    /**
     * How it goes in one of several times.
     */
    public function in(Pass $pass): self
    {
        return $this->earlier[$pass->value] ?? $this;
    }

    /**
     * Where in its bar a written place is played, in quarters: there, unless quavers swing.
     */
    public function played(float $quarters): float
    {
        return $this->swing === null ? $quarters : $this->swing->played($quarters);
    }

    /**
     * Where the beats begin whose quavers swing, in quarters.
     *
     * @return list<float>
     */
    public function swungBeats(): array
    {
        return $this->swing === null ? [] : $this->swing->beats;
    }

    public function seconds(Fraction|float $quarters): float
    {
        $at = $this->played($quarters instanceof Fraction ? $quarters->toFloat() : $quarters);
        $low = Search::last(count($this->steps), fn (int $index): bool => $this->steps[$index][0] <= $at);
        [$quarter, $second, $tempo] = $this->steps[$low];

        return $second + ($at - $quarter) * 60 / $tempo;
    }

    /**
     * The place that is played at a time, in quarters; the other way round.
     */
    public function playedAt(float $seconds): float
    {
        $low = Search::last(count($this->steps), fn (int $index): bool => $this->steps[$index][1] <= $seconds);
        [$quarter, $second, $tempo] = $this->steps[$low];

        return $quarter + ($seconds - $second) * $tempo / 60;
    }

    /**
     * The tempo at the beginning, in quarters a minute.
     */
    public function quartersPerMinute(): float
    {
        return $this->first;
    }

    /**
     * @return non-empty-list<array{float, float, float}> quarter, second, quarters a minute from there
     */
    public function steps(): array
    {
        return $this->steps;
    }

    /**
     * Quarters in which silence is put in: what ends by the end of such a stretch is silent by its beginning.
     *
     * @return list<array{float, float}>
     */
    public function silences(): array
    {
        return $this->silences;
    }
}
