<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Findings\Repeats;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Score\Score;

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
        $counting = Counting::of($performance->written, $tempo, $asked->choice('subdivision', Counter::SUBDIVISIONS), $performance->student->rates, $performance->reading()->hands);

        return [
            ...$counting->toArray(),
            'hazards' => array_map(fn (Hazard $hazard): array => $hazard->toArray(), self::once($counting->hazards, $performance->written)),
            'swung' => $tempo->swungBeats(),
            'tempos' => array_map(fn (array $step): array => ['at' => $step[0], 'tempo' => round($step[2], 4)], $tempo->steps()),
        ];
    }

    /**
     * A figure that comes in many bars is said in the first.
     *
     * @param  list<Hazard>  $hazards  by place
     * @return list<Hazard>
     */
    private static function once(array $hazards, Score $score): array
    {
        $figures = array_values(array_filter($hazards, fn (Hazard $hazard): bool => $hazard->kind === HazardKind::DottedFigure));
        $others = array_map(fn (Hazard $hazard): string => $score->measures[$hazard->measure]->number, array_slice($figures, 1));
        $kept = array_filter($hazards, fn (Hazard $hazard): bool => $hazard->kind !== HazardKind::DottedFigure || $hazard === $figures[0]);

        return array_values(array_map(fn (Hazard $hazard): Hazard => $hazard === ($figures[0] ?? null) ? $hazard->saying($hazard->reason.Repeats::inBars($others)) : $hazard, $kept));
    }
}
