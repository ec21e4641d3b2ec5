<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;

/**
 * How a piece is counted, at the subdivision that is asked for.
 */
final class CountAnswer implements Answer
{
    public static function restsOn(): array
    {
        return [Aspect::Hands, Aspect::Time];
    }

    public static function excerpt(): ?Excerpt
    {
        return null;
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        $tempo = $performance->tempo();

        return [
            ...Counting::of($performance->written, $tempo, $asked->choice('subdivision', Counter::SUBDIVISIONS), $performance->student->rates, $performance->reading()->hands)->toArray(),
            'swung' => $tempo->swungBeats(),
            'tempos' => array_map(fn (array $step): array => ['at' => $step[0], 'tempo' => round($step[2], 4)], $tempo->steps()),
        ];
    }
}
