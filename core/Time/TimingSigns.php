<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Craft\CopyLayer;
use Tarnwind\Core\Performance\Performance;

/**
 * Where time is taken and where it is given back, beat after beat joined.
 */
final class TimingSigns implements CopyLayer
{
    /** Share of a beat by which it is longer, or shorter, for it to be told [start]: less is not felt as a beat of its own. */
    private const TOLD = 0.06;

    public static function name(): string
    {
        return 'timing';
    }

    public static function of(Performance $performance): array
    {
        $stretches = [];
        foreach ($performance->part(TakenTime::class)->beats as $beat) {
            $more = ($beat->ms() - $beat->strict) / max(1.0, $beat->strict);
            $way = abs($more) < self::TOLD ? null : ($more > 0 ? 'takes' : 'gives');
            $last = $stretches[count($stretches) - 1] ?? null;
            if ($way !== null && $last !== null && $last['way'] === $way && abs($last['to'] - $beat->at->toFloat()) < 1e-6) {
                $stretches[count($stretches) - 1]['to'] = $beat->to->toFloat();
            } elseif ($way !== null) {
                $stretches[] = ['from' => $beat->at->toFloat(), 'to' => $beat->to->toFloat(), 'way' => $way];
            }
        }

        return ['stretches' => $stretches];
    }
}
