<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\Levels;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Onset;
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
     * @param  Levels  $levels  how loud notes are
     */
    public static function build(Score $score, array $harmonies, array $hands, TempoMap $tempo, Joints $joints, array $lengths, Levels $levels): Timeline
    {
        $harmonies = Harmony::chords($harmonies);
        $onsets = array_map(fn (Onset $onset): array => [$onset, array_map(
            fn (Note $note): Strike => self::strike($note, $hands[$note->id], $tempo, $levels, $lengths[$note->id] ?? null), $onset->notes,
        )], Onset::all($score));

        return new Timeline(self::moments($score, $onsets, $harmonies, $tempo, $joints), $harmonies, $tempo, $score->measures);
    }

    private static function strike(Note $note, Hand $hand, TempoMap $tempo, Levels $levels, ?KeyLength $length): Strike
    {
        $onset = $tempo->seconds($note->onset);
        // The length that is asked for: what a key struck again cuts off is for the pedal to join.
        $release = $tempo->seconds($note->onset->toFloat() + $note->duration->toFloat() * ($length->share ?? 1.0));

        return new Strike(
            $note->id, $note->inWords(), $note->midi, $onset, $release,
            Loudness::amplitude($levels->velocity($note)), $length?->isDry() ?? false, $hand,
        );
    }

    /**
     * @param  list<array{Onset, list<Strike>}>  $onsets
     * @param  list<Harmony>  $harmonies
     * @return list<Moment>
     */
    private static function moments(Score $score, array $onsets, array $harmonies, TempoMap $tempo, Joints $joints): array
    {
        $byId = array_column($score->notes, null, 'id');
        $runs = new ChromaticRuns($score->notes);
        $strikeOf = [];
        $moments = [];
        $harmony = 0;
        /** @var array<string, list<Strike>> $ending strikes of each hand that were last struck */
        $ending = [];
        foreach ($onsets as $index => [$onset, $strikes]) {
            $at = $onset->at;
            foreach ($strikes as $strike) {
                $strikeOf[$strike->note] = $strike;
            }
            while (isset($harmonies[$harmony + 1]) && ! $at->isLessThan($harmonies[$harmony]->to)) {
                $harmony++;
            }
            $seconds = $tempo->seconds($at);
            $measure = $score->measureAt($at);
            $smeared = [];
            foreach ($onset->notes as $note) {
                $before = $runs->before($note->id);
                if ($before !== null && isset($strikeOf[$before])) {
                    $smeared[] = $strikeOf[$before];
                }
            }
            $next = ($onsets[$index + 1][0] ?? null)?->at;
            $moments[] = new Moment(
                $at, $seconds, $measure->index, $measure->time->weightAt($at->minus($measure->beatOrigin())),
                $harmonies === [] ? null : $harmony, $strikes, self::needsJoin($strikes, $ending, $seconds, $joints, $byId),
                $onset->isRest && $next !== null ? $tempo->seconds($next) - $seconds : 0.0, $smeared,
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
