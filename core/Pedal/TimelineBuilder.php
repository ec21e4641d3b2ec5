<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Performance\Dynamics;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Sets a score in time for the planner.
 */
final class TimelineBuilder
{
    /** Two moments closer than this, in seconds, are one for the hand. */
    private const TOGETHER = 0.02;

    /**
     * @param  list<Harmony>  $harmonies
     * @param  array<string, Hand>  $hands  by note id
     * @param  Joints  $joints  what the fingers join
     * @param  array<string, KeyLength>  $lengths  how long keys are held, by note id
     */
    public static function build(Score $score, array $harmonies, array $hands, TempoMap $tempo, Joints $joints, array $lengths): Timeline
    {
        $harmonies = Harmony::chords($harmonies);
        $dynamics = new Dynamics($score);
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
            $groups[$key][1][] = self::strike($note, $hands[$note->id], $tempo, $dynamics, $lengths[$note->id] ?? null);
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

        return new Timeline(self::moments($score, array_values($groups), $harmonies, $tempo, $joints, array_map(strval(...), array_keys($rests))), $harmonies, $tempo, $score->measures);
    }

    private static function strike(Note $note, Hand $hand, TempoMap $tempo, Dynamics $dynamics, ?KeyLength $length): Strike
    {
        $onset = $tempo->seconds($note->onset);
        // The length that is asked for: what a key struck again cuts off is for the pedal to join.
        $release = $tempo->seconds($note->onset->toFloat() + $note->duration->toFloat() * ($length->share ?? 1.0));

        return new Strike(
            $note->id, $note->midi, $onset, $release,
            Loudness::amplitude(Dynamics::velocity($dynamics->ledger($note))), $length?->isDry() ?? false, $hand,
        );
    }

    /**
     * @param  list<array{Fraction, list<Strike>, list<Note>}>  $groups
     * @param  list<Harmony>  $harmonies
     * @param  list<string>  $rests  where general rests begin
     * @return list<Moment>
     */
    private static function moments(Score $score, array $groups, array $harmonies, TempoMap $tempo, Joints $joints, array $rests): array
    {
        $rests = array_flip($rests);
        $byId = array_column($score->notes, null, 'id');
        $runs = new ChromaticRuns($score->notes);
        $strikeOf = [];
        $moments = [];
        $harmony = 0;
        /** @var array<string, list<Strike>> $ending strikes of each hand that were last struck */
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
                $harmonies === [] ? null : $harmony, $strikes, self::needsJoin($strikes, $ending, $seconds, $joints, $byId),
                isset($rests[(string) $at]) && $next !== null ? $tempo->seconds($next) - $seconds : 0.0, $smeared,
            );
            foreach (self::byHand($strikes) as $hand => $struck) {
                $ending[$hand] = [...array_filter($ending[$hand] ?? [], fn (Strike $s): bool => $s->release > $seconds + self::TOGETHER), ...$struck];
            }
        }

        return $moments;
    }

    /**
     * Whether something that begins follows at once on something of its hand that ends, and fingers do not join them:
     * in chords the lowest and the highest notes, a single note with the nearest.
     *
     * @param  list<Strike>  $strikes
     * @param  array<string, list<Strike>>  $before  by hand
     * @param  array<string, Note>  $notes  by id
     */
    private static function needsJoin(array $strikes, array $before, float $seconds, Joints $joints, array $notes): bool
    {
        foreach (self::byHand($strikes) as $hand => $struck) {
            $ended = array_values(array_filter(
                $before[$hand] ?? [],
                fn (Strike $s): bool => ! $s->dry && abs($s->release - $seconds) < self::TOGETHER,
            ));
            $begun = array_values(array_filter($struck, fn (Strike $s): bool => ! $s->dry));
            foreach (self::pairs($ended, $begun) as [$from, $to]) {
                if (! $joints->join($notes[$from->note], $notes[$to->note])) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param  list<Strike>  $ended
     * @param  list<Strike>  $begun
     * @return list<array{Strike, Strike}>
     */
    private static function pairs(array $ended, array $begun): array
    {
        $pairs = [];
        $byKey = fn (Strike $a, Strike $b): int => $a->midi <=> $b->midi;
        usort($ended, $byKey);
        usort($begun, $byKey);
        if (count($ended) > 1 && count($begun) > 1) {
            return [[$ended[0], $begun[0]], [$ended[count($ended) - 1], $begun[count($begun) - 1]]];
        }
        foreach ($begun as $next) {
            $near = $ended;
            usort($near, fn (Strike $a, Strike $b): int => abs($a->midi - $next->midi) <=> abs($b->midi - $next->midi));
            $pairs = [...$pairs, ...($near === [] ? [] : [[$near[0], $next]])];
        }

        return $pairs;
    }

    /**
     * @param  list<Strike>  $strikes
     * @return array<string, list<Strike>>
     */
    private static function byHand(array $strikes): array
    {
        $hands = [];
        foreach ($strikes as $strike) {
            $hands[$strike->hand->value][] = $strike;
        }

        return $hands;
    }
}
