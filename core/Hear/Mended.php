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
    public static function of(Comparison $comparison, Mending $mending): Take
    {
        return match ($mending) {
            Mending::Foot => new Take($comparison->take->notes, self::plannedFoot($comparison)),
            Mending::Levels => new Take(self::plannedLevels($comparison), $comparison->take->foot),
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
                if ($event->ms >= $run->first()->planned - 500 && $event->ms <= $run->last()->planned + 5000) {
                    $at = $event->ms < $attack->planned ? $attack->played + $event->ms - $attack->planned : min($run->played($event->ms), $attack->played + max(0.0, $event->ms - $attack->planned) * max(1.0, $run->pace()));
                    $moves[] = new FootMove(max(0.0, $at), $event->controller, $event->value);
                }
            }
            $moves[] = new FootMove($run->last()->played + 8000, PedalEvent::DAMPER, PedalEvent::UP);
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
            $levels[$index] = 127 * 10 ** ((Loudness::decibels($velocity) + $comparison->louder) / 40);
        }

        return array_map(fn (PlayedNote $note, int $index): PlayedNote => new PlayedNote($note->midi, $note->onset, $note->release, max(1, min(127, (int) round($levels[$index] ?? $note->velocity)))), $comparison->take->notes, array_keys($comparison->take->notes));
    }

    private static function inTime(Comparison $comparison): Take
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
                    $notes[] = new PlayedNote($pair->played->midi, max(0.0, $onset), max($onset + 30, $move($pair->played->release)), $pair->played->velocity);
                }
            }
            foreach ($comparison->take->foot as $one) {
                if ($one->ms >= $run->first()->played - 500 && $one->ms <= $run->last()->played + 5000) {
                    $foot[] = new FootMove(max(0.0, $move($one->ms)), $one->controller, $one->value);
                }
            }
            $later += ($run->last()->planned - $from) * $pace + 1000;
        }
        usort($notes, fn (PlayedNote $a, PlayedNote $b): int => $a->onset <=> $b->onset ?: $a->midi <=> $b->midi);
        usort($foot, fn (FootMove $a, FootMove $b): int => $a->ms <=> $b->ms);

        return new Take($notes, $foot);
    }
}
