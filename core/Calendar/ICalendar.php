<?php

declare(strict_types=1);

namespace Tarnwind\Core\Calendar;

use DateTimeImmutable;

/**
 * Writes events as an iCalendar file: RFC 5545 (2009). Times are floating ones (3.3.5, form 1): the hour on the wall wherever
 * it is read, as a lesson is meant.
 */
final class ICalendar
{
    /** Octets of a line before it is folded: RFC 5545, 3.1. */
    private const LINE = 75;

    private const STAMP = 'Ymd\THis\Z';

    private const FLOATING = 'Ymd\THis';

    /**
     * @param  list<Event>  $events
     * @param  int  $now  seconds since 1970
     */
    public static function write(array $events, string $name, int $now): string
    {
        $lines = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Tarnwind//Lessons//EN', 'CALSCALE:GREGORIAN', 'X-WR-CALNAME:'.self::text($name)];
        foreach ($events as $event) {
            $begin = new DateTimeImmutable(Day::date($event->day)." $event->at:00");
            $lines = [
                ...$lines, 'BEGIN:VEVENT', "UID:$event->uid", 'DTSTAMP:'.gmdate(self::STAMP, $now), 'DTSTART:'.$begin->format(self::FLOATING), 'DTEND:'.$begin->modify("+$event->minutes minutes")->format(self::FLOATING),
                'SUMMARY:'.self::text($event->summary), ...($event->description === '' ? [] : ['DESCRIPTION:'.self::text($event->description)]), ...($event->isCancelled ? ['STATUS:CANCELLED'] : []), 'END:VEVENT',
            ];
        }

        return implode('', array_map(self::folded(...), [...$lines, 'END:VCALENDAR']));
    }

    /**
     * Text with what would end it written otherwise: RFC 5545, 3.3.11.
     */
    private static function text(string $text): string
    {
        return str_replace(["\r\n", "\r", "\n"], ['\n', '\n', '\n'], addcslashes($text, '\\;,'));
    }

    /**
     * A line in pieces of at most 75 octets, none of which cuts a character.
     */
    private static function folded(string $line): string
    {
        $pieces = [];
        while (strlen($line) > self::LINE) {
            $piece = mb_strcut($line, 0, self::LINE, 'UTF-8');
            $pieces[] = $piece;
            $line = ' '.substr($line, strlen($piece));
        }

        return implode("\r\n", [...$pieces, $line])."\r\n";
    }
}
