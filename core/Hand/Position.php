<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * What it costs a hand to leave its position over three single notes: the fingers of the first and the last should lie
 * as the hand lies open, after the rule of position change of Parncutt et al., Music Perception 14 (1997) [mem of pub],
 * and a key that comes again at once should have the finger it had (common practice). The weights are ours [start].
 */
final class Position
{
    /** For every semitone by which the two fingers are too far apart or too near for comfort. */
    private const CHANGE = 0.1;

    private const OTHER_FINGER = 1.0;

    /** After a silence of so many seconds the hand lies anew. */
    public const PAUSE = 0.4;

    /**
     * How far the last of three notes lies from the first, in semitones outwards from the thumb; null where no position
     * is felt over them: where they are not single notes, or the hand comes to rest in between.
     */
    public static function distance(Grip $first, Grip $middle, Grip $last): ?int
    {
        foreach ([$first, $middle, $last] as $grip) {
            if (count($grip->notes) > 1) {
                return null;
            }
        }
        $rests = $middle->seconds - $first->ends[0] >= self::PAUSE || $last->seconds - $middle->ends[0] >= self::PAUSE;

        return $rests ? null : $last->keys[0] - $first->keys[0];
    }

    /**
     * @return array<int, array<int, float>> by finger of the first note, then of the last
     */
    public static function costs(int $distance, Spans $spans): array
    {
        $costs = [];
        foreach (range(1, 5) as $finger) {
            foreach (range(1, 5) as $next) {
                $costs[$finger][$next] = match (true) {
                    $distance === 0 => $finger === $next ? 0.0 : self::OTHER_FINGER,
                    $finger === $next => self::CHANGE * abs($distance),
                    default => self::CHANGE * $spans->discomfort(min($finger, $next), max($finger, $next), Spans::opened($finger, $next, $distance)),
                };
            }
        }

        return $costs;
    }
}
