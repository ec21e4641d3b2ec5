<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\StudentCopy;
use Tarnwind\Core\Performance\HeardDifferences;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Plan\PlanDifferences;
use Tarnwind\Core\Sound\Grades;

/**
 * Two plans of one copy beside each other: what is marked otherwise, and what is heard of it.
 */
final class VersionComparison
{
    /**
     * @return array<string, mixed> as resources/js/desk/versions.ts has it
     */
    public static function of(StudentCopy $copy, Plan $before, Plan $after): array
    {
        $score = $copy->piece->score();
        $performances = new Performances($copy);
        $marked = PlanDifferences::between($before, $after, $score);
        $heard = HeardDifferences::between($performances->of($before), $performances->of($after));
        $bars = array_unique([...array_keys($marked->bars), ...array_keys($heard->bars)]);
        sort($bars);

        return [
            'settings' => $marked->settings,
            'seconds' => $heard->seconds, 'pedals' => $heard->pedals,
            'louder' => $heard->louder, 'softer' => $heard->softer, 'longer' => $heard->longer, 'shorter' => $heard->shorter,
            'bars' => array_map(fn (int $index): array => [
                'measure' => $index < 0 ? null : $index, ...array_map(self::counted(...), $marked->bars[$index] ?? ['gone' => [], 'new' => [], 'changed' => []]),
                'loudness' => self::loudness($heard->bars[$index]['loudness'] ?? 0.0), 'held' => round($heard->bars[$index]['held'] ?? 0.0, 3), 'pedal' => $heard->bars[$index]['pedal'] ?? false,
            ], $bars),
        ];
    }

    /**
     * "half a grade louder"; null where nothing is.
     */
    private static function loudness(float $decibels): ?string
    {
        return $decibels === 0.0 ? null : Grades::change($decibels);
    }

    /**
     * @param  list<string>  $words
     * @return list<array{what: string, times: int}>
     */
    private static function counted(array $words): array
    {
        $counts = array_count_values($words);

        return array_map(fn (string $what, int $times): array => ['what' => $what, 'times' => $times], array_keys($counts), $counts);
    }
}
