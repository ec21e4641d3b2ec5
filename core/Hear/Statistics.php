<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

/**
 * Middles and spreads of what was measured.
 */
final class Statistics
{
    /**
     * The middle one of some values; 0 where there are none.
     *
     * @param  list<float>  $values
     */
    public static function middle(array $values): float
    {
        if ($values === []) {
            return 0.0;
        }
        sort($values);
        $half = intdiv(count($values), 2);

        return count($values) % 2 === 1 ? $values[$half] : ($values[$half - 1] + $values[$half]) / 2;
    }

    /**
     * @param  list<float>  $values
     */
    public static function mean(array $values): float
    {
        return $values === [] ? 0.0 : array_sum($values) / count($values);
    }

    /**
     * How far values lie from their mean, as a standard deviation.
     *
     * @param  list<float>  $values
     */
    public static function spread(array $values): float
    {
        $mean = self::mean($values);

        return sqrt(self::mean(array_map(fn (float $value): float => ($value - $mean) ** 2, $values)));
    }

    /**
     * How far the mean of some values may be off by chance: their standard error.
     *
     * @param  list<float>  $values
     */
    public static function doubt(array $values): float
    {
        return count($values) < 2 ? INF : self::spread($values) / sqrt(count($values) - 1);
    }
}
