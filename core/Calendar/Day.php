<?php

declare(strict_types=1);

namespace Tarnwind\Core\Calendar;

use DateTimeImmutable;

/**
 * Days of the calendar as whole numbers, so that they can be reckoned with: days since 1970-01-01, a Thursday.
 */
final class Day
{
    private const SECONDS = 86_400;

    /**
     * @param  string  $date  as 2027-03-14
     */
    public static function of(string $date): int
    {
        return intdiv((int) (new DateTimeImmutable("$date 00:00:00 UTC"))->format('U'), self::SECONDS);
    }

    public static function date(int $day): string
    {
        return gmdate('Y-m-d', $day * self::SECONDS);
    }

    /**
     * @return int 0 for Monday to 6 for Sunday
     */
    public static function weekday(int $day): int
    {
        return (($day + 3) % 7 + 7) % 7;
    }
}
