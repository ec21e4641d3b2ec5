<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Performance\Performance;

/**
 * Where a school would take time in a piece that keeps its beat so far.
 */
final class ProposedPlaces
{
    /**
     * @return list<array{at: string, measure: int, what: string}> by place
     */
    public static function of(Performance $performance, School $school): array
    {
        [$score, $reading, $course] = [$performance->score(), $performance->reading(), $performance->course()];
        $places = array_map(fn (Ending $ending): array => [
            'at' => (string) $ending->at, 'measure' => $score->measureAt($ending->at)->index,
            'what' => sprintf('%s: its last beat %d %% longer%s', $ending->reason, round(100 * $ending->longer($school)), $ending->isSection ? ', and a breath' : ''),
        ], Endings::of($score, $reading, $course));
        $final = FinalSlowing::of($score, $reading, $course, $school);
        if ($final?->to !== null) {
            $places[] = [
                'at' => (string) $final->at, 'measure' => $score->measureAt($final->at)->index,
                'what' => sprintf('the piece comes to rest: slowing to %d %% by %s', round(100 * $final->value), $score->placeInWords($final->to)),
            ];
        }

        return $places;
    }
}
