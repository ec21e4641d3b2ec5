<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

/**
 * Writes a rendition as a Standard MIDI File, format 1: tempo, right hand with the pedals, left hand.
 */
final class MidiWriter
{
    /** Ticks a quarter: divisible by the usual tuplets. */
    private const RESOLUTION = 960;

    private const CHANNEL = 0;

    public static function write(Rendition $rendition, string $title): string
    {
        $conductor = [[0, 0, "\xFF\x03".self::text($title)]];
        foreach ($rendition->tempo as [$quarter, $perMinute]) {
            $micros = (int) round(60_000_000 / $perMinute);
            $conductor[] = [self::ticks($quarter), 0, "\xFF\x51\x03".substr(pack('N', $micros), 1)];
        }
        $tracks = [$conductor, [[0, 0, "\xFF\x03".self::text('Right hand')]], [[0, 0, "\xFF\x03".self::text('Left hand')]]];
        foreach ($rendition->pedal as $event) {
            $tracks[1][] = [self::ticks($event->at), 1, pack('C3', 0xB0 | self::CHANNEL, $event->controller, $event->value)];
        }
        foreach ($rendition->events as $event) {
            $from = self::ticks($event->from);
            $tracks[$event->staff][] = [$from, 2, pack('C3', 0x90 | self::CHANNEL, $event->midi, $event->velocity)];
            $tracks[$event->staff][] = [max($from + 1, self::ticks($event->to)), 0, pack('C3', 0x80 | self::CHANNEL, $event->midi, 64)];
        }

        return 'MThd'.pack('Nnnn', 6, 1, count($tracks), self::RESOLUTION).implode('', array_map(self::track(...), $tracks));
    }

    private static function ticks(float $quarters): int
    {
        return max(0, (int) round($quarters * self::RESOLUTION));
    }

    /**
     * @param  list<array{int, int, string}>  $events  tick, rank among events of one tick, bytes
     */
    private static function track(array $events): string
    {
        usort($events, fn (array $a, array $b): int => $a[0] <=> $b[0] ?: $a[1] <=> $b[1]);
        $bytes = '';
        $now = 0;
        foreach ($events as [$tick, , $message]) {
            $bytes .= self::variableLength($tick - $now).$message;
            $now = $tick;
        }
        $bytes .= "\x00\xFF\x2F\x00";

        return 'MTrk'.pack('N', strlen($bytes)).$bytes;
    }

    private static function text(string $text): string
    {
        return self::variableLength(strlen($text)).$text;
    }

    private static function variableLength(int $value): string
    {
        $bytes = chr($value & 0x7F);
        while (($value >>= 7) > 0) {
            $bytes = chr(0x80 | ($value & 0x7F)).$bytes;
        }

        return $bytes;
    }
}
