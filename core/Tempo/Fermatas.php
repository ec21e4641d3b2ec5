<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\MeasuredDecay;

/**
 * Where fermatas hold, and how much longer: until what rings has faded by 25 dB, or twice the written length, whichever
 * is shorter; at least half as long again [start]. One over a bar line holds nothing that is written.
 */
final class Fermatas
{
    private const FADED = 25.0;

    private const LEAST = 1.5;

    private const MOST = 2.0;

    /** Seconds in which the fading is looked for. */
    private const STEP = 0.1;

    /**
     * @param  callable(float): float  $tempoAt  quarters a minute at a place
     * @return list<array{float, float, float}> from and to, in quarters, and how many times as long; in order, apart
     */
    public static function holds(Score $score, callable $tempoAt): array
    {
        $held = [];
        foreach ($score->notes as $note) {
            if ($note->has('fermata') && ! $note->grace) {
                $held[] = [$note->onset->toFloat(), $note->end()->toFloat(), $note->midi];
            }
        }
        foreach ($score->signsOf('fermata') as $sign) {
            $at = $sign->onset->toFloat();
            $next = self::nextOnset($score, $at);
            if ($next > $at) {
                $held[] = [$at, $next, null];
            }
        }
        usort($held, fn (array $a, array $b): int => $a[0] <=> $b[0]);
        /** @var list<array{float, float, ?int}> $joined what is held together, where all of it is held */
        $joined = [];
        foreach ($held as [$from, $to, $midi]) {
            $last = count($joined) - 1;
            if ($last >= 0 && $from < $joined[$last][1] - 1e-9) {
                $joined[$last] = [max($joined[$last][0], $from), min($joined[$last][1], $to), max($joined[$last][2] ?? 0, $midi ?? 0) ?: null];
            } else {
                $joined[] = [$from, $to, $midi];
            }
        }

        return array_map(fn (array $one): array => [$one[0], $one[1], self::times($one[2], ($one[1] - $one[0]) * 60 / $tempoAt($one[0]))], $joined);
    }

    private static function times(?int $midi, float $seconds): float
    {
        if ($midi === null || $seconds <= 0) {
            return self::LEAST;
        }
        $decay = new MeasuredDecay;
        $faded = $seconds;
        while ($faded < self::MOST * $seconds && $decay->attenuation($midi, $faded) < self::FADED) {
            $faded += self::STEP;
        }

        return max(self::LEAST, min(self::MOST, $faded / $seconds));
    }

    private static function nextOnset(Score $score, float $after): float
    {
        foreach ($score->notes as $note) {
            if (! $note->grace && $note->onset->toFloat() >= $after - 1e-9) {
                return $note->onset->toFloat();
            }
        }

        return $score->end()->toFloat();
    }
}
