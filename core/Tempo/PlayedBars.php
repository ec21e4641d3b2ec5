<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Score;

/**
 * When the bars of a piece and their beats come, repeats unfolded.
 */
final class PlayedBars
{
    /**
     * @return list<array{measure: int, ms: float, beats: list<float>}> index of the bar; milliseconds from the beginning
     */
    public static function of(Score $score, TempoMap $clock): array
    {
        $bars = [];
        $now = 0.0;
        foreach (self::passes($score->playbackOrder) as $place => $pass) {
            $index = $score->playbackOrder[$place];
            $measure = $score->measures[$index];
            $tempo = $clock->in($pass);
            $start = $tempo->seconds($measure->start);
            $beats = [];
            for ($at = $measure->beatOrigin(); $at->isLessThan($measure->end()); $at = $at->plus($measure->time->beat())) {
                if (! $at->isLessThan($measure->start)) {
                    $beats[] = round(1000 * ($now + $tempo->seconds($at) - $start), 3);
                }
            }
            $bars[] = ['measure' => $index, 'ms' => round(1000 * $now, 3), 'beats' => $beats];
            $now += $tempo->seconds($measure->end()) - $start;
        }

        return $bars;
    }

    /**
     * Seconds that the piece lasts, repeats unfolded.
     */
    public static function duration(Score $score, TempoMap $clock): float
    {
        $seconds = 0.0;
        foreach (self::passes($score->playbackOrder) as $place => $pass) {
            $measure = $score->measures[$score->playbackOrder[$place]];
            $seconds += $clock->in($pass)->seconds($measure->end()) - $clock->in($pass)->seconds($measure->start);
        }

        return $seconds;
    }

    /**
     * Which time of several each bar is played.
     *
     * @param  list<int>  $order  indexes of bars
     * @return list<Pass> by place in the order
     */
    public static function passes(array $order): array
    {
        $all = array_count_values($order);
        $before = [];

        return array_map(function (int $bar) use ($all, &$before): Pass {
            $before[$bar] = ($before[$bar] ?? -1) + 1;

            return Pass::of($before[$bar], $all[$bar]);
        }, $order);
    }
}
