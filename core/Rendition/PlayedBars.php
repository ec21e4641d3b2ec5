<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * When the bars of a piece and their beats come, repeats unfolded.
 */
final class PlayedBars
{
    /**
     * @return list<array{measure: int, ms: float, beats: list<float>}> index of the bar; milliseconds from the beginning
     */
    public static function of(Score $score, TempoMap $tempo): array
    {
        $bars = [];
        $now = 0.0;
        foreach ($score->playbackOrder as $index) {
            $measure = $score->measures[$index];
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
}
