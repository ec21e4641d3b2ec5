<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\Performance;

/**
 * How loud the line is from bar to bar: the curve of the piece.
 */
final class Profile
{
    /**
     * @return list<float> the loudest of each bar, MIDI velocity, even from dynamic to dynamic; 0 where it is silent
     */
    public static function of(Performance $performance): array
    {
        $levels = $performance->levels();
        $profile = array_fill(0, count($performance->written->measures), 0.0);
        foreach ($performance->part(Line::class)->all as [$note]) {
            $profile[$note->measure] = max($profile[$note->measure], round($levels->velocity($note), 1));
        }

        return array_values($profile);
    }
}
