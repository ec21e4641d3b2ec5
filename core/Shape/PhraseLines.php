<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Craft\CopyLayer;
use Tarnwind\Core\Performance\Performance;

/**
 * Phrases with the notes they grow to, as they are drawn over the lines of a copy.
 */
final class PhraseLines implements CopyLayer
{
    public static function name(): string
    {
        return 'phrases';
    }

    public static function of(Performance $performance): array
    {
        $arcs = array_values(array_filter($performance->part(Arcs::class)->all, fn (Arc $arc): bool => $arc->goal !== null));

        return ['phrases' => array_map(fn (Arc $arc): array => [
            'from' => $arc->phrase->from->toFloat(), 'to' => $arc->phrase->to->toFloat(), 'goal' => $arc->goal?->onset->toFloat(), 'climax' => $arc->isClimax,
        ], $arcs)];
    }
}
