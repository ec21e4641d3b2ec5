<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Rendition\Dynamics;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Rendition\Touch;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Loudness;

/**
 * Sets a score in time for the planner.
 */
final class TextureBuilder
{
    /** Two moments closer than this, in seconds, are one for the hand. */
    private const TOGETHER = 0.02;

    /** Semitones that fingers still join: a ninth. */
    private const JOINABLE_LEAP = 14;

    /**
     * @param  list<Harmony>  $harmonies
     */
    public static function build(Score $score, array $harmonies, TempoMap $tempo): Texture
    {
        $harmonies = Harmony::chords($harmonies);
        $dynamics = new Dynamics($score);
        $touch = new Touch($score);
        /** @var array<string, array{Fraction, list<Strike>, list<Note>}> $groups */
        $groups = [];
        $held = Fraction::zero();
        $rests = [];
        foreach ($score->notes as $note) {
            if ($held->isLessThan($note->onset) && ! $note->grace) {
                $rests[(string) $held] = $held;
            }
            $key = (string) $note->onset;
            $groups[$key] ??= [$note->onset, [], []];
            $groups[$key][1][] = self::strike($note, $tempo, $dynamics, $touch);
            $groups[$key][2][] = $note;
            $held = Fraction::max($held, $note->end());
        }
        $end = Fraction::max($held, $score->end());
        if ($held->isLessThan($end)) {
            $rests[(string) $held] = $held;
        }
        foreach ($rests as $key => $at) {
            $groups[$key] ??= [$at, [], []];
        }
        $groups[(string) $end] ??= [$end, [], []];
        uasort($groups, fn (array $a, array $b): int => $a[0]->compareTo($b[0]));

        return new Texture(self::moments($score, array_values($groups), $harmonies, $tempo, array_map(strval(...), array_keys($rests))), $harmonies, $tempo, $score->measures);
    }

    private static function strike(Note $note, TempoMap $tempo, Dynamics $dynamics, Touch $touch): Strike
    {
        $onset = $tempo->seconds($note->onset);
        $release = $tempo->seconds($note->onset->toFloat() + $note->duration->toFloat() * $touch->heldShare($note));

        return new Strike(
            $note->id, $note->midi, $onset, $release,
            Loudness::amplitude(Dynamics::velocity($dynamics->ledger($note))), $touch->isDry($note), $note->staff,
        );
    }

    /**
     * @param  list<array{Fraction, list<Strike>, list<Note>}>  $groups
     * @param  list<Harmony>  $harmonies
     * @param  list<string>  $rests  where general rests begin
     * @return list<Moment>
     */
    private static function moments(Score $score, array $groups, array $harmonies, TempoMap $tempo, array $rests): array
    {
        $rests = array_flip($rests);
        $runs = new ChromaticRuns($score->notes);
        $strikeOf = [];
        $moments = [];
        $harmony = 0;
        /** @var array<int, list<Strike>> $ending strikes of each hand that were last struck */
        $ending = [];
        foreach ($groups as $index => [$at, $strikes, $notes]) {
            foreach ($strikes as $strike) {
                $strikeOf[$strike->note] = $strike;
            }
            while (isset($harmonies[$harmony + 1]) && ! $at->isLessThan($harmonies[$harmony]->to)) {
                $harmony++;
            }
            $seconds = $tempo->seconds($at);
            $measure = $score->measureAt($at);
            $smeared = [];
            foreach ($notes as $note) {
                $before = $runs->before($note->id);
                if ($before !== null && isset($strikeOf[$before])) {
                    $smeared[] = $strikeOf[$before];
                }
            }
            $next = $groups[$index + 1][0] ?? null;
            $moments[] = new Moment(
                $at, $seconds, $measure->index, $measure->time->weightAt($at->minus($measure->beatOrigin())),
                $harmonies === [] ? null : $harmony, $strikes, self::needsJoin($strikes, $ending, $seconds),
                isset($rests[(string) $at]) && $next !== null ? $tempo->seconds($next) - $seconds : 0.0, $smeared,
            );
            foreach (self::byHand($strikes) as $hand => $struck) {
                $ending[$hand] = [...array_filter($ending[$hand] ?? [], fn (Strike $s): bool => $s->release > $seconds + self::TOGETHER), ...$struck];
            }
        }

        return $moments;
    }

    /**
     * Fingers cannot join the same key struck again, a leap over a ninth, or chord after chord in one hand.
     *
     * @param  list<Strike>  $strikes
     * @param  array<int, list<Strike>>  $before  by hand
     */
    private static function needsJoin(array $strikes, array $before, float $seconds): bool
    {
        foreach (self::byHand($strikes) as $hand => $struck) {
            $ended = array_values(array_filter(
                $before[$hand] ?? [],
                fn (Strike $s): bool => ! $s->dry && abs($s->release - $seconds) < self::TOGETHER,
            ));
            $begun = array_values(array_filter($struck, fn (Strike $s): bool => ! $s->dry));
            if ($ended === [] || $begun === []) {
                continue;
            }
            if (count($ended) > 1 && count($begun) > 1) {
                return true;
            }
            foreach ($begun as $next) {
                $leaps = array_map(fn (Strike $s): int => abs($s->midi - $next->midi), $ended);
                if (min($leaps) === 0 || min($leaps) > self::JOINABLE_LEAP) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param  list<Strike>  $strikes
     * @return array<int, list<Strike>>
     */
    private static function byHand(array $strikes): array
    {
        $hands = [];
        foreach ($strikes as $strike) {
            $hands[$strike->hand][] = $strike;
        }

        return $hands;
    }
}
