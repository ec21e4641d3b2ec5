<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Sign;

/**
 * What is printed of standing still: fermatas over notes, rests and bar lines, and caesuras.
 */
final class PrintedHolds
{
    /** Seconds of silence at a caesura [start]. */
    private const CAESURA = 0.4;

    /** Beats of silence that a fermata over a bar line holds [start]. */
    private const AT_BARLINE = 1.0;

    /**
     * @return list<Hold> in order, apart
     */
    public static function fermatas(Score $score): array
    {
        /** @var list<array{Fraction, Fraction, ?int}> $held */
        $held = [];
        foreach ($score->notes as $note) {
            if ($note->has('fermata') && ! $note->grace) {
                $held[] = [$note->onset, $note->end(), $note->midi];
            }
        }
        foreach ($score->signsOf('fermata') as $sign) {
            $next = self::nextOnset($score, $sign->onset);
            if ($sign->onset->isLessThan($next) && ! self::isAtBarline($score, $sign)) {
                $held[] = [$sign->onset, $next, null];
            }
        }
        usort($held, fn (array $a, array $b): int => $a[0]->compareTo($b[0]));
        /** @var list<array{Fraction, Fraction, ?int}> $joined what is held together, where all of it is held */
        $joined = [];
        foreach ($held as [$from, $to, $midi]) {
            $last = count($joined) - 1;
            if ($last >= 0 && $from->isLessThan($joined[$last][1])) {
                $joined[$last] = [$from, $to->isLessThan($joined[$last][1]) ? $to : $joined[$last][1], max($joined[$last][2] ?? 0, $midi ?? 0) ?: null];
            } else {
                $joined[] = [$from, $to, $midi];
            }
        }
        $fine = self::fine($score);

        return array_map(fn (array $one): Hold => new Hold($one[0], $one[1], $one[2], $fine !== null && ! $one[0]->isLessThan($fine->start) && $one[0]->isLessThan($fine->end()) ? When::Last : When::Every), $joined);
    }

    /**
     * @param  callable(float): float  $tempoAt  quarters a minute at a place
     * @return list<Silence>
     */
    public static function silences(Score $score, callable $tempoAt): array
    {
        $silences = [];
        $fine = self::fine($score);
        foreach ($score->signsOf('fermata') as $sign) {
            $measure = $score->measures[$sign->measure];
            if (self::isAtBarline($score, $sign) && $sign->onset->isLessThan($score->end())) {
                $seconds = self::AT_BARLINE * $measure->time->beat()->toFloat() * 60 / $tempoAt($sign->onset->toFloat());
                $silences[(string) $sign->onset] = new Silence($sign->onset, $seconds, 'a fermata over the bar line: silence is held', $measure === $fine ? When::Last : When::Every);
            }
        }
        foreach ($score->notes as $note) {
            if ($note->has('caesura')) {
                $silences[(string) $note->end()] ??= new Silence($note->end(), self::CAESURA, 'a caesura');
            }
        }

        return array_values($silences);
    }

    private static function isAtBarline(Score $score, Sign $sign): bool
    {
        return $sign->onset->equals($score->measures[$sign->measure]->end());
    }

    /**
     * Where a piece with a da capo ends: a fermata there is held when it ends, and not before [trade].
     *
     * @return ?Measure null where that is the last bar that is written
     */
    private static function fine(Score $score): ?Measure
    {
        $last = $score->measures[$score->playbackOrder[count($score->playbackOrder) - 1] ?? 0] ?? null;

        return $last === null || $last->index === count($score->measures) - 1 ? null : $last;
    }

    private static function nextOnset(Score $score, Fraction $after): Fraction
    {
        foreach ($score->notes as $note) {
            if (! $note->grace && ! $note->onset->isLessThan($after)) {
                return $note->onset;
            }
        }

        return $score->end();
    }
}
