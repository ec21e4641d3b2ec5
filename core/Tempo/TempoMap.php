<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Score\Sign;

/**
 * From quarters in the score to seconds, in written order.
 */
final readonly class TempoMap
{
    /** Where a score says nothing [start]. */
    public const DEFAULT = 80.0;

    /** Quarters a minute for tempo words at the beginning of a piece [mem]. */
    private const WORDS = [
        'larghetto' => 60, 'largo' => 48, 'lento' => 52, 'adagio' => 58, 'andantino' => 84, 'andante' => 76,
        'allegretto' => 108, 'moderato' => 100, 'allegro' => 126, 'vivace' => 150, 'presto' => 170, 'grave' => 44,
    ];

    /**
     * @param  non-empty-list<array{float, float, float}>  $steps  quarter, second, quarters a minute from there
     */
    private function __construct(private array $steps, private ?Swing $swing = null)
    {
    }

    /**
     * @param  ?float  $quartersPerMinute  what the beginning is to be; later tempo marks keep their proportion to it
     */
    public static function of(Score $score, ?float $quartersPerMinute = null): self
    {
        $marks = $score->signsOf('tempo');
        $first = $marks !== [] && ! $marks[0]->onset->isPositive() ? (float) $marks[0]->value : null;
        $printed = $first ?? self::fromWords($score) ?? (isset($marks[0]) ? (float) $marks[0]->value : self::DEFAULT);
        $scale = $quartersPerMinute === null ? 1.0 : $quartersPerMinute / $printed;

        return new self(self::timed(PrintedTempo::steps($score, $quartersPerMinute ?? $printed, $scale, $quartersPerMinute !== null)));
    }

    /**
     * @param  non-empty-list<array{float, float}>  $tempos  quarter, and quarters a minute from there
     * @return non-empty-list<array{float, float, float}>
     */
    private static function timed(array $tempos): array
    {
        $steps = [[0.0, 0.0, $tempos[0][1]]];
        foreach (array_slice($tempos, 1) as [$at, $tempo]) {
            [$quarter, $second, $before] = $steps[count($steps) - 1];
            $steps[] = [$at, $second + ($at - $quarter) * 60 / $before, $tempo];
        }

        return $steps;
    }

    /**
     * The same tempo with quavers that swing.
     */
    public function swung(Swing $swing): self
    {
        return new self($this->steps, $swing);
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
        return $this->steps[0][2];
    }

    /**
     * @return non-empty-list<array{float, float, float}> quarter, second, quarters a minute from there
     */
    public function steps(): array
    {
        return $this->steps;
    }

    private static function fromWords(Score $score): ?float
    {
        $words = array_filter($score->signsOf('words'), fn (Sign $mark): bool => $mark->measure === 0);
        foreach ($words as $mark) {
            foreach (self::WORDS as $word => $tempo) {
                if (preg_match("/\b$word\b/iu", (string) $mark->value) === 1) {
                    return (float) $tempo;
                }
            }
        }

        return null;
    }
}
