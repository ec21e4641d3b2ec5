<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Craft\CopyLayer;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Sound\Grades;
use Tarnwind\Core\Sound\Loudness;

/**
 * Dynamics that are played where they differ from the print by half a grade or more: where a phrase begins, and at its goal.
 */
final class PlayedDynamics implements CopyLayer
{
    public static function name(): string
    {
        return 'played';
    }

    public static function of(Performance $performance): array
    {
        $printed = $performance->dynamics();
        $found = [];
        $before = null;
        foreach ($performance->part(Arcs::class)->all as $arc) {
            $first = $arc->phrase->notes[0] ?? null;
            foreach ($first === null || $arc->goal === null ? [] : array_unique([$first, $arc->goal], SORT_REGULAR) as $note) {
                $here = $printed->at($note->staff, $note->onset);
                $more = $arc->level + $arc->at($note->onset->toFloat());
                $mark = Loudness::markOf(max(Loudness::MARKS['ppp'], min(Loudness::MARKS['fff'], Loudness::velocity($here + $more))));
                // What is printed there says it already, and so does what was told last.
                $isSaid = abs($more) < Grades::HALF || $mark === Loudness::markOf(Loudness::velocity($here)) || $mark === $before;
                $before = abs($more) < Grades::HALF ? null : $mark;
                if (! $isSaid) {
                    $found[] = self::mark($note->onset, $mark);
                }
            }
        }

        return ['dynamics' => $found];
    }

    /**
     * @return array{at: float, mark: string}
     */
    private static function mark(Fraction $at, string $mark): array
    {
        return ['at' => $at->toFloat(), 'mark' => $mark];
    }
}
