<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Craft\CopyLayer;
use Tarnwind\Core\Performance\Performance;

/**
 * The count of the bars that are easily miscounted, as it is spoken.
 */
final class CountedBars implements CopyLayer
{
    public static function name(): string
    {
        return 'count';
    }

    public static function of(Performance $performance): array
    {
        $counting = Counting::of($performance->written, $performance->tempo(), hands: $performance->reading()->hands);
        $hard = array_fill_keys(array_map(fn (Hazard $hazard): int => $hazard->measure, $counting->hazards), true);
        $bars = array_filter($counting->bars, fn (BarCount $bar): bool => isset($hard[$bar->measure]));

        return ['syllables' => array_merge([], ...array_values(array_map(
            fn (BarCount $bar): array => array_map(fn (Syllable $one): array => ['at' => $one->at->toFloat(), 'text' => $one->text], $bar->syllables), $bars,
        )))];
    }
}
