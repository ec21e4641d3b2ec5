<?php

declare(strict_types=1);

namespace Tests\support;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Take\PlayedNote;
use Tarnwind\Core\Take\Take;

/**
 * Plays a rendition with faults that are known: the truth an alignment is measured against.
 */
final class SimulatedPianist
{
    /**
     * @param  list<KeyEvent>  $events
     * @param  float  $errors  share of the notes that are wrong, missing or extra
     * @param  int  $restarts  times she stops, goes back some notes, and plays on
     * @return array{take: Take, truth: list<?int>, last: array<int, int>} what was played; of each note what it stands for, null for nothing; the last note that stands for each
     */
    public static function play(array $events, int $seed, float $errors, int $restarts = 0, float $jitter = 18.0): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $uniform = fn (): float => $random->getInt(0, 1_000_000) / 1e6;
        $order = array_keys($events);
        for ($restart = 0; $restart < $restarts; $restart++) {
            $at = $random->getInt(intdiv(count($order), 5), count($order) - 1);
            while ($order[$at] < 1) {
                $at--;
            }
            // She has played up to the note before, and begins again some notes back.
            array_splice($order, $at, 0, [-1, ...range(max(0, $order[$at] - $random->getInt(8, 40)), $order[$at] - 1)]);
        }
        $played = [];
        $late = $drift = 0.0;
        $before = null;
        foreach ($order as $place) {
            if ($place < 0) {
                $late += 900 + 1500 * $uniform();

                continue;
            }
            $event = $events[$place];
            if ($before !== null && $event->startMs < $before) {
                $late += $before - $event->startMs;
            }
            $before = $event->startMs;
            $drift = 0.995 * $drift + 6 * ($uniform() - 0.5);
            $onset = $event->startMs + $late + $drift + $jitter * ($uniform() + $uniform() - 1);
            $luck = $uniform();
            $midi = $event->midi;
            if ($luck < $errors / 3) {
                continue;
            }
            $isWrong = $luck < 2 * $errors / 3;
            if ($isWrong) {
                $midi += $random->getInt(0, 1) === 0 ? $random->getInt(1, 2) : -$random->getInt(1, 2);
            } elseif ($luck < $errors) {
                $played[] = [new PlayedNote($midi + $random->getInt(1, 2), $onset + 25 + 60 * $uniform(), $onset + 150, 50), null];
            }
            $played[] = [new PlayedNote($midi, $onset, $onset + max(40.0, $event->endMs - $event->startMs), $event->velocity), $isWrong ? -1 - $place : $place];
        }
        usort($played, fn (array $a, array $b): int => $a[0]->onset <=> $b[0]->onset ?: $a[0]->midi <=> $b[0]->midi);
        $last = [];
        foreach ($played as $index => [, $stands]) {
            if ($stands !== null && $stands >= 0) {
                $last[$stands] = $index;
            }
        }

        return ['take' => new Take(array_column($played, 0)), 'truth' => array_column($played, 1), 'last' => $last];
    }
}
