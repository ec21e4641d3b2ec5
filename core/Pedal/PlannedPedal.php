<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\MovesTheFoot;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Plan;

/**
 * The pedal as the marks have it. Marks whose bars the score does not have are left out; of two that overlap the earlier
 * ends where the later begins.
 */
final class PlannedPedal implements MovesTheFoot
{
    public function spans(Plan $plan, array $measures): array
    {
        $measures = array_column($measures, null, 'id');
        $spans = [];
        foreach ($plan->marksOf(PedalMark::class) as $mark) {
            $from = $mark->from->onset($measures);
            $to = $mark->to->onset($measures);
            if (! $mark->dry && $from !== null && $to !== null && $from->isLessThan($to)) {
                $spans[] = new Span($from, $to, $mark->depth, $mark->id);
            }
        }
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
}
