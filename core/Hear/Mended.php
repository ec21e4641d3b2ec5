<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Rendition\PedalEvent;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Take\FootMove;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take;

/**
 * A take with one thing mended.
 */
final class Mended
{
    /** ms before the first and after the last stroke of what is played on in which the foot belongs to it, and between two such stretches. */
    private const BEFORE = 500.0;

    private const AFTER = 5000.0;

    public const BETWEEN = 1000.0;

    /** No key is held for less, in ms. */
    private const SHORTEST = 30.0;

    public static function of(Comparison $comparison, Mending $mending): Sounding
    {
        return match ($mending) {
            Mending::Foot => Sounding::of($comparison, new Take($comparison->take->notes, self::plannedFoot($comparison))),
            Mending::Levels => Sounding::of($comparison, new Take(self::plannedLevels($comparison), $comparison->take->foot)),
            Mending::Time => self::inTime($comparison),
        };
    }

    /**
     * @return list<FootMove>
     */
    private static function plannedFoot(Comparison $comparison): array
    {
        $moves = [];
        foreach ($comparison->runs as $run) {
            foreach ($comparison->rendition->pedal as $event) {
                // A move keeps its distance from the stroke it belongs to.
                $attack = $run->attacks[$run->attackAt($event->ms)];
                if ($event->ms >= $run->first()->planned - self::BEFORE && $event->ms <= $run->last()->planned + self::AFTER) {
                    $at = $event->ms < $attack->planned ? $attack->played + $event->ms - $attack->planned : min($run->played($event->ms), $attack->played + max(0.0, $event->ms - $attack->planned) * max(1.0, $run->pace()));
                    $moves[] = new FootMove(max(0.0, $at), $event->controller, $event->value);
                }
            }
            $moves[] = new FootMove($run->last()->played + 2 * self::AFTER, PedalEvent::DAMPER, PedalEvent::UP);
        }
        usort($moves, fn (FootMove $a, FootMove $b): int => $a->ms <=> $b->ms);

        return $moves;
    }

    /**
     * @return list<PlayedNote>
     */
    private static function plannedLevels(Comparison $comparison): array
    {
        $levels = [];
        foreach ($comparison->alignment->matched as $index => $place) {
            $velocity = (float) $comparison->rendition->events[$place]->velocity;
            $levels[$index] = Loudness::velocity(Loudness::decibels($velocity) + $comparison->louder);
        }

        return array_map(fn (PlayedNote $note, int $index): PlayedNote => new PlayedNote($note->midi, $note->onset, $note->release, max(1, min(127, (int) round($levels[$index] ?? $note->velocity)))), $comparison->take->notes, array_keys($comparison->take->notes));
    }

    private static function inTime(Comparison $comparison): Sounding
    {
        $notes = $foot = [];
        $later = 0.0;
        foreach ($comparison->runs as $run) {
            $pace = $run->pace();
            $from = $run->first()->planned;
            $move = fn (float $played): float => $later + ($run->planned($played) - $from) * $pace;
            foreach ($run->attacks as $attack) {
                foreach ($attack->pairs as $pair) {
                    $onset = $later + ($pair->planned->startMs - $from) * $pace;
                    $notes[] = [new PlayedNote($pair->played->midi, max(0.0, $onset), max($onset + self::SHORTEST, $move($pair->played->release)), $pair->played->velocity), $pair->note->id];
                }
            }
            foreach ($comparison->take->foot as $one) {
                if ($one->ms >= $run->first()->played - self::BEFORE && $one->ms <= $run->last()->played + self::AFTER) {
                    $foot[] = new FootMove(max(0.0, $move($one->ms)), $one->controller, $one->value);
                }
            }
            $later += ($run->last()->planned - $from) * $pace + self::BETWEEN;
        }
        usort($notes, fn (array $a, array $b): int => $a[0]->onset <=> $b[0]->onset ?: $a[0]->midi <=> $b[0]->midi);
        usort($foot, fn (FootMove $a, FootMove $b): int => $a->ms <=> $b->ms);

        return new Sounding(new Take(array_column($notes, 0), $foot), array_column($notes, 1));
    }
}
