<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\MovesTheFoot;
use Tarnwind\Core\Performance\Pedals;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Plan\Plan;

/**
 * The pedals as the marks have them. Marks whose bars the score does not have are left out; of two that overlap the earlier
 * ends where the later begins.
 */
final class PlannedPedal implements MovesTheFoot
{
    public function pedals(Plan $plan, array $measures): Pedals
    {
        $measures = array_column($measures, null, 'id');
        $spans = $dry = [];
        foreach ($plan->marksOf(PedalMark::class) as $mark) {
            $span = $mark->span($measures);
            if ($span !== null && $mark->dry) {
                $dry[] = new Stretch($span->down, $span->up, $mark->id);
            } elseif ($span !== null) {
                $spans[] = $span;
            }
        }
        $stretches = ['soft' => [], 'sostenuto' => [], 'wash' => []];
        foreach ($plan->marksOf(StretchMark::class) as $mark) {
            $stretches[$mark->kind->value][] = $mark->stretch($measures);
        }

        return new Pedals(self::inOrder($spans), self::sorted($stretches['soft']), self::sorted($stretches['sostenuto']), self::sorted($stretches['wash']), self::sorted($dry));
    }

    /**
     * @param  list<Span>  $spans
     * @return list<Span> not overlapping
     */
    private static function inOrder(array $spans): array
    {
        usort($spans, fn (Span $a, Span $b): int => $a->down->compareTo($b->down));
        $result = [];
        foreach ($spans as $index => $span) {
            $next = $spans[$index + 1] ?? null;
            $up = $next !== null && $next->down->isLessThan($span->up) ? $next->down : $span->up;
            if ($span->down->isLessThan($up)) {
                $result[] = $span->between($span->down, $up);
            }
        }

        return $result;
    }

    /**
     * @param  list<?Stretch>  $stretches
     * @return list<Stretch>
     */
    private static function sorted(array $stretches): array
    {
        $stretches = array_values(array_filter($stretches));
        usort($stretches, fn (Stretch $a, Stretch $b): int => $a->from->compareTo($b->from));

        return $stretches;
    }
}
