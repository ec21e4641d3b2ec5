<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\CopyLayer;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Performance\Stretch;

/**
 * What the feet do, as it is drawn under the lines of a copy.
 */
final class PedalLine implements CopyLayer
{
    public static function name(): string
    {
        return 'pedal';
    }

    public static function of(Performance $performance): array
    {
        $pedals = $performance->pedals();
        $words = [];
        foreach ($performance->plan->marksOf(PedalMark::class) as $mark) {
            $words[$mark->id] = trim($mark->words);
        }
        $stretches = fn (array $all): array => array_map(fn (Stretch $one): array => ['from' => $one->from->toFloat(), 'to' => $one->to->toFloat()], $all);

        return [
            'signs' => $performance->plan->settings(PedalSettings::class)->notation === PedalNotation::Signs,
            'spans' => array_map(fn (Span $span): array => [
                'from' => $span->down->toFloat(), 'to' => $span->up->toFloat(), 'depth' => round($span->depth->share, 4), 'flutter' => $span->flutter, 'manner' => $span->manner->value,
                'lowered' => $span->lowered?->toFloat(), 'lifting' => $span->lifting?->toFloat(), 'words' => $words[$span->mark] ?? '',
            ], $pedals->damper),
            'soft' => $stretches($pedals->soft), 'sostenuto' => $stretches($pedals->sostenuto), 'washes' => $stretches($pedals->washes), 'dry' => $stretches($pedals->dry),
        ];
    }
}
