<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * Binary search in things that stand in order.
 */
final class Search
{
    /**
     * The last index, from 0, for which a test holds that holds up to some place and not after it; 0 if it never does.
     *
     * @param  callable(int): bool  $holds
     */
    public static function last(int $count, callable $holds): int
    {
        $low = 0;
        $high = $count - 1;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($holds($middle)) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        return $low;
    }
}
