<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;

/**
 * The tempo from place to place as it is printed: marks, words in the usual languages, and fermatas.
 */
final class PrintedTempo
{
    /** Quarters from step to step of a tempo that changes bit by bit. */
    private const FINE = 0.25;

    /** Bars that a gradual change lasts where nothing says how long [start]; then the tempo before it returns. */
    private const LONGEST = 4;

    /** @var non-empty-list<array{float, float}> quarter, and quarters a minute from there */
    private array $steps;

    /** The tempo that was marked last, to which "a tempo" goes back. */
    private float $main;

    private function __construct(private readonly Score $score, private readonly float $first)
    {
        $this->steps = [[0.0, $first]];
        $this->main = $first;
    }

    /**
     * @param  float  $first  quarters a minute at the beginning
     * @param  float  $scale  of all tempos that are marked
     * @param  bool  $own  whether the beginning is the teacher's, whatever is marked there
     * @return non-empty-list<array{float, float}> quarter, and quarters a minute from there; by quarter, the first 0
     */
    public static function steps(Score $score, float $first, float $scale, bool $own): array
    {
        $tempo = new self($score, $first);
        $tempo->read($scale, $own);
        $tempo->hold();

        return $tempo->steps;
    }

    private function read(float $scale, bool $own): void
    {
        $marked = [];
        foreach ($this->score->signsOf('tempo') as $sign) {
            $marked[(string) $sign->onset] = true;
        }
        /** @var list<array{Fraction, float|TempoWord}> $said */
        $said = [];
        foreach ($this->score->marks as $sign) {
            $what = match ($sign->kind) {
                'tempo' => (float) $sign->value * $scale,
                // Where a number stands beside it, that says what the word means.
                'words' => isset($marked[(string) $sign->onset]) || ! $sign->onset->isPositive() ? null : TempoWord::read((string) $sign->value),
                default => null,
            };
            if ($what !== null) {
                $said[] = [$sign->onset, $what];
            }
        }
        foreach ($said as $index => [$at, $what]) {
            if (is_float($what)) {
                if ($at->isPositive() || ! $own) {
                    $this->main = $what;
                    $this->put($at->toFloat(), $what);
                }

                continue;
            }
            match ($what->change) {
                TempoChange::Gradual => $this->change($at, $what->share, $said[$index + 1][0] ?? null),
                TempoChange::AtOnce => $this->put($at->toFloat(), $this->main *= $what->share),
                TempoChange::Back => $this->put($at->toFloat(), $this->main),
                TempoChange::First => $this->put($at->toFloat(), $this->main = $this->first),
            };
        }
    }

    /**
     * Changes the tempo bit by bit up to what is said next.
     *
     * @param  ?Fraction  $next  where something is said of the tempo again
     */
    private function change(Fraction $at, float $share, ?Fraction $next): void
    {
        $from = $at->toFloat();
        $bar = $this->score->measureAt($at)->time->length()->toFloat();
        $limit = min($this->score->end()->toFloat(), $from + self::LONGEST * $bar);
        $isOpen = $next === null || $next->toFloat() > $limit;
        $to = $isOpen ? $limit : $next->toFloat();
        $before = $this->steps[count($this->steps) - 1][1];
        for ($quarter = $from; $quarter < $to - 1e-9; $quarter += self::FINE) {
            $this->put($quarter, $before * Slowing::tempoAt(($quarter + min(self::FINE, $to - $quarter) / 2 - $from) / ($to - $from), $share));
        }
        if ($isOpen && $to < $this->score->end()->toFloat() - 1e-9) {
            $this->put($to, $this->main);
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

    /**
     * Slows down what fermatas hold.
     */
    private function hold(): void
    {
        foreach (Fermatas::holds($this->score, $this->at(...)) as [$from, $to, $times]) {
            $steps = [];
            foreach ([...$this->steps, [INF, 0.0]] as $index => [$quarter, $tempo]) {
                $before = $this->steps[$index - 1][1] ?? null;
                if ($before !== null) {
                    // What of the stretch up to here begins and ends within it.
                    $begin = $this->steps[$index - 1][0];
                    if ($begin < $from && $from < $quarter) {
                        $steps[] = [$from, $before / $times];
                    }
                    if ($begin < $to && $to < $quarter) {
                        $steps[] = [$to, $before];
                    }
                }
                if ($quarter !== INF) {
                    $steps[] = [$quarter, $quarter >= $from && $quarter < $to ? $tempo / $times : $tempo];
                }
            }
            /** @var non-empty-list<array{float, float}> $steps */
            $this->steps = $steps;
        }
    }

    private function at(float $quarters): float
    {
        $tempo = $this->steps[0][1];
        foreach ($this->steps as [$quarter, $value]) {
            $tempo = $quarter <= $quarters ? $value : $tempo;
        }

        return $tempo;
    }
}
