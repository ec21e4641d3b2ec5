<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Tempo\PlayedBars;

/**
 * What is heard otherwise under one plan than under another, in numbers: how long it takes, how loud notes are, how long
 * keys are held, when the foot moves.
 */
final readonly class HeardDifferences
{
    /** dB that are worth saying; fewer are within what a hand repeats [start]. */
    public const LOUDNESS = 0.8;

    /** Seconds by which a key comes up earlier or later that are worth saying [start]. */
    public const HELD = 0.05;

    /**
     * @param  array{float, float}  $seconds  that the piece takes before and after, repeats unfolded
     * @param  array{int, int}  $pedals  times the foot goes down
     * @param  array<int, array{loudness: float, held: float, pedal: bool}>  $bars  by index, in order, those with a difference: the largest of their notes (dB louder, seconds held longer: above 0), and whether the foot moves otherwise
     * @param  int  $louder  notes
     * @param  int  $softer  notes
     * @param  int  $longer  keys that are held longer
     * @param  int  $shorter  keys that are held shorter
     */
    private function __construct(
        public array $seconds,
        public array $pedals,
        public array $bars,
        public int $louder,
        public int $softer,
        public int $longer,
        public int $shorter,
    ) {
    }

    /**
     * @param  Performance  $after  of the same score
     */
    public static function between(Performance $before, Performance $after): self
    {
        $bars = [];
        $counts = ['louder' => 0, 'softer' => 0, 'longer' => 0, 'shorter' => 0];
        $there = array_column($before->score()->notes, null, 'id');
        foreach ($after->score()->notes as $note) {
            $earlier = $there[$note->id] ?? $note;
            $louder = $after->levels()->level($note) - $before->levels()->level($earlier);
            $held = self::heldLonger($note, $before, $after);
            if (abs($louder) < self::LOUDNESS && abs($held) < self::HELD) {
                continue;
            }
            $bar = $bars[$note->measure] ?? self::still();
            if (abs($louder) >= self::LOUDNESS) {
                $counts[$louder > 0 ? 'louder' : 'softer']++;
                $bar['loudness'] = self::larger($bar['loudness'], $louder);
            }
            if (abs($held) >= self::HELD) {
                $counts[$held > 0 ? 'longer' : 'shorter']++;
                $bar['held'] = self::larger($bar['held'], $held);
            }
            $bars[$note->measure] = $bar;
        }
        foreach (self::pedalled($before, $after) as $index) {
            $bars[$index] = [...$bars[$index] ?? self::still(), 'pedal' => true];
        }
        ksort($bars);

        return new self(
            [self::seconds($before), self::seconds($after)], [count($before->spans()), count($after->spans())], $bars,
            ...$counts,
        );
    }

    /**
     * Bars in which the foot goes down, comes up, or is as deep as it was not.
     *
     * @return list<int>
     */
    private static function pedalled(Performance $before, Performance $after): array
    {
        [$then, $now] = array_map(function (Performance $performance): array {
            $moves = [];
            foreach ($performance->spans() as $span) {
                $how = json_encode([$span->depth->value(), $span->manner, $span->flutter, (string) $span->lowered, (string) $span->lifting], JSON_THROW_ON_ERROR);
                $moves["$span->down down $how"] = $span->down;
                $moves["$span->up up"] = $span->up;
            }

            return $moves;
        }, [$before, $after]);
        $differ = array_diff_key($then, $now) + array_diff_key($now, $then);

        return array_values(array_unique(array_map(fn ($at): int => $after->written->measureAt($at)->index, $differ)));
    }

    /**
     * Seconds by which a key is held longer, at one tempo: that of the whole is told by itself.
     */
    private static function heldLonger(Note $note, Performance $before, Performance $after): float
    {
        [$then, $now] = [$before->lengths()[$note->id] ?? null, $after->lengths()[$note->id] ?? null];

        return $then === null || $now === null ? 0.0 : $after->tempo()->seconds($now->left) - $after->tempo()->seconds($then->left);
    }

    private static function seconds(Performance $performance): float
    {
        return PlayedBars::duration($performance->score(), $performance->tempo());
    }

    private static function larger(float $one, float $other): float
    {
        return abs($other) > abs($one) ? $other : $one;
    }

    /**
     * @return array{loudness: float, held: float, pedal: bool}
     */
    private static function still(): array
    {
        return ['loudness' => 0.0, 'held' => 0.0, 'pedal' => false];
    }
}
