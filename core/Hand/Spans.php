<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Student\Reach;

/**
 * How far two fingers of a hand stand apart, in semitones, from the thumb's side outwards: practical, comfortable and
 * relaxed limits of Parncutt, Sloboda, Clarke, Raekallio & Desain, "An ergonomic model of keyboard fingering for
 * melodic fragments", Music Perception 14 (1997) [mem of pub], the widest ones scaled to a student's reach.
 */
final readonly class Spans
{
    /** By pair: MinPrac, MinComf, MinRel, MaxRel, MaxComf, MaxPrac. */
    private const PUBLISHED = [
        12 => [-5, -3, 1, 5, 8, 10], 13 => [-4, -2, 3, 7, 10, 12], 14 => [-3, -1, 5, 9, 12, 14], 15 => [-1, 1, 7, 10, 13, 15],
        23 => [1, 1, 1, 2, 3, 5], 24 => [1, 1, 3, 4, 5, 7], 25 => [2, 2, 5, 6, 8, 10],
        34 => [1, 1, 1, 2, 2, 4], 35 => [1, 1, 3, 4, 5, 7], 45 => [1, 1, 1, 2, 3, 5],
    ];

    /** What a semitone costs outside the relaxed and the comfortable limits, fitted with the weights of Effort [start]. */
    private const NARROW_WITH_THUMB = 2.64;

    private const NARROW = 7.66;

    private const WIDE_WITH_THUMB = 0.9;

    private const WIDE = 0.42;

    private const STRETCH = 0.74;

    private const IMPRACTICAL = 10.0;

    /** One finger strikes two keys that lie so close. */
    private const TWO_KEYS = 2;

    /** @var array<int, array{int, int, int, float, float, float}> by lower finger × 10 + higher finger */
    private array $limits;

    public function __construct(Reach $reach = new Reach)
    {
        $comfortable = $reach->comfortable / Reach::PUBLISHED_COMFORTABLE;
        $largest = $reach->largest / Reach::PUBLISHED_LARGEST;
        $this->limits = array_map(
            fn (array $limits): array => [$limits[0], $limits[1], $limits[2], $limits[3] * $comfortable, $limits[4] * $comfortable, $limits[5] * $largest],
            self::PUBLISHED,
        );
    }

    /**
     * Whether two fingers, or one, can hold keys so far apart.
     *
     * @param  int  $span  semitones from the lower to the higher finger, outwards from the thumb
     */
    public function reaches(int $lower, int $higher, int $span): bool
    {
        if ($lower === $higher) {
            return $span <= self::TWO_KEYS;
        }
        if ($lower > $higher) {
            return $this->reaches($higher, $lower, -$span);
        }
        [$least, , , , , $most] = $this->limits[$lower * 10 + $higher];

        return $span >= $least && $span <= $most;
    }

    /**
     * How far two fingers open that strike keys one after the other; below 0 where they cross.
     *
     * @param  int  $distance  semitones from the first key to the second, outwards from the thumb
     */
    public static function opened(int $finger, int $next, int $distance): int
    {
        return $finger < $next ? $distance : -$distance;
    }

    /**
     * How far two fingers open in comfort, in semitones.
     */
    public function comfortable(int $lower, int $higher): float
    {
        return $this->limits[$lower * 10 + $higher][4];
    }

    /**
     * By how many semitones two fingers are too far apart or too near for comfort.
     */
    public function discomfort(int $lower, int $higher, int $span): float
    {
        [, $least, , , $most] = $this->limits[$lower * 10 + $higher];

        return max(0.0, $least - $span, $span - $most);
    }

    /**
     * How uncomfortable a distance is: stretch, and leaving the relaxed hand, as in the published rules; what lies
     * beyond the practical limits costs far more.
     */
    public function cost(int $lower, int $higher, int $span): float
    {
        if ($lower === $higher) {
            return $span <= self::TWO_KEYS ? 0.0 : self::IMPRACTICAL;
        }
        if ($lower > $higher) {
            return $this->cost($higher, $lower, -$span);
        }
        [$leastPractical, $leastComfortable, $leastRelaxed, $mostRelaxed, $mostComfortable, $mostPractical] = $this->limits[$lower * 10 + $higher];
        $cost = 0.0;
        if ($span < $leastRelaxed) {
            $cost += ($lower === 1 ? self::NARROW_WITH_THUMB : self::NARROW) * ($leastRelaxed - $span);
        } elseif ($span > $mostRelaxed) {
            $cost += ($lower === 1 ? self::WIDE_WITH_THUMB : self::WIDE) * ($span - $mostRelaxed);
        }
        if ($span < $leastComfortable) {
            $cost += self::STRETCH * ($leastComfortable - $span);
        } elseif ($span > $mostComfortable) {
            $cost += self::STRETCH * ($span - $mostComfortable);
        }
        if ($span < $leastPractical) {
            $cost += self::IMPRACTICAL + 4 * ($leastPractical - $span);
        } elseif ($span > $mostPractical) {
            $cost += self::IMPRACTICAL + 4 * ($span - $mostPractical);
        }

        return $cost;
    }
}
