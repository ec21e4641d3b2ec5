<?php

declare(strict_types=1);

namespace Tarnwind\Core\Calendar;

/**
 * The lessons that weekly times make.
 */
final class Weeks
{
    private const DAYS = 7;

    /**
     * @param  list<WeeklyTime>  $times
     * @param  list<Holiday>  $holidays
     * @return list<Slot> from one day to another, that one included, by day and time
     */
    public static function slots(array $times, array $holidays, int $from, int $to): array
    {
        $slots = [];
        foreach ($times as $time) {
            $first = max($from, $time->from);
            $day = $first + ($time->weekday - Day::weekday($first) + self::DAYS) % self::DAYS;
            for (; $day <= min($to, $time->until ?? $to); $day += self::DAYS) {
                $slots[] = new Slot($time, $day, array_values(array_filter($holidays, fn (Holiday $holiday): bool => $holiday->has($day)))[0] ?? null);
            }
        }
        usort($slots, fn (Slot $a, Slot $b): int => [$a->day, $a->time->at] <=> [$b->day, $b->time->at]);

        return $slots;
    }
}
