<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Performance\KeyLength;
use Tarnwind\Core\Performance\ShapesLengths;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Lets keys come up before a silence that is put in: what ends by then is not held through it.
 */
final class SilentKeys implements ShapesLengths
{
    public function lengths(array $lengths, Score $score, TempoMap $tempo, Plan $plan): array
    {
        foreach ($tempo->silences() as [$from, $at]) {
            foreach ($lengths as $id => $length) {
                if ($length->left > $from && $length->note->onset->toFloat() < $from && $length->note->end()->toFloat() <= $at + 1e-9) {
                    $lengths[$id] = new KeyLength($length->note, $length->share, $from, 'left for the silence that follows', $length->articulation, $length->own, $length->ends);
                }
            }
        }

        return $lengths;
    }
}
