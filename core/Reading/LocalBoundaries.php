<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Note;

/**
 * The local boundary model: Cambouropoulos, "The local boundary detection model (LBDM) and its application in the study
 * of expressive timing", ICMC 2001 [pub]. An interval is strong where it is large and differs from its neighbours.
 */
final class LocalBoundaries
{
    private const PITCH = 0.25;

    private const ONSETS = 0.5;

    private const RESTS = 0.25;

    /**
     * @param  list<Note>  $line
     * @return list<float> for each note the strength of a boundary before it, 0 to 1; 0 for the first
     */
    public static function of(array $line): array
    {
        $pitch = $onsets = $rests = [];
        for ($index = 1; $index < count($line); $index++) {
            $pitch[] = (float) abs($line[$index]->midi - $line[$index - 1]->midi);
            $onsets[] = $line[$index]->onset->minus($line[$index - 1]->onset)->toFloat();
            $rests[] = max(0.0, $line[$index]->onset->minus($line[$index - 1]->end())->toFloat());
        }
        $profiles = [[self::PITCH, self::profile($pitch)], [self::ONSETS, self::profile($onsets)], [self::RESTS, self::profile($rests)]];
        $strengths = $line === [] ? [] : [0.0];
        foreach ($pitch as $index => $_) {
            $strengths[] = array_sum(array_map(fn (array $profile): float => $profile[0] * $profile[1][$index], $profiles));
        }

        return $strengths;
    }

    /**
     * @param  list<float>  $intervals
     * @return list<float> 0 to 1
     */
    private static function profile(array $intervals): array
    {
        $change = fn (float $a, float $b): float => $a + $b > 0 ? abs($a - $b) / ($a + $b) : 0.0;
        $strengths = [];
        foreach ($intervals as $index => $interval) {
            $before = isset($intervals[$index - 1]) ? $change($intervals[$index - 1], $interval) : 0.0;
            $after = isset($intervals[$index + 1]) ? $change($interval, $intervals[$index + 1]) : 0.0;
            $strengths[] = $interval * ($before + $after);
        }
        $most = $strengths === [] ? 0.0 : max($strengths);

        return $most > 0 ? array_map(fn (float $strength): float => $strength / $most, $strengths) : $strengths;
    }
}
