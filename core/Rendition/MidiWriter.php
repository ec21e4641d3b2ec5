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

    /** Microseconds a quarter, the most that three bytes tell. */
    private const SLOWEST = 0xFFFFFF;

    public static function write(Rendition $rendition, string $title): string
    {
        $conductor = [[0, 0, "\xFF\x03".self::text($title)]];
        foreach (self::tempos($rendition->tempo) as $tick => $micros) {
            $conductor[] = [$tick, 0, "\xFF\x51\x03".substr(pack('N', $micros), 1)];
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

    /**
     * Tempos that reach every change at its time, though places are rounded to ticks.
     *
     * @param  list<array{float, float}>  $steps  played quarter and quarters a minute from there
     * @return array<int, int> microseconds a quarter, by tick
     */
    private static function tempos(array $steps): array
    {
        $tempos = [];
        $now = $begin = 0.0;
        foreach ($steps as $index => [$quarter, $perMinute]) {
            $next = $steps[$index + 1][0] ?? null;
            $until = $next === null ? $now : $now + ($next - $quarter) * 60_000_000 / $perMinute;
            $ticks = $next === null ? 0 : self::ticks($next) - self::ticks($quarter);
            if ($ticks > 0 || $next === null) {
                $micros = (int) round($next === null ? 60_000_000 / $perMinute : ($until - $begin) * self::RESOLUTION / $ticks);
                $tempos[self::ticks($quarter)] = max(1, min(self::SLOWEST, $micros));
                // What is too slow to be told is lost, and what rounding loses is made good.
                $begin += $tempos[self::ticks($quarter)] * $ticks / self::RESOLUTION;
            }
            $now = $until;
        }

        return $tempos;
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

    /**
     * A number as files of MIDI have times and lengths: seven bits a byte.
     */
    public static function variableLength(int $value): string
    {
        $bytes = chr($value & 0x7F);
        while (($value >>= 7) > 0) {
            $bytes = chr(0x80 | ($value & 0x7F)).$bytes;
        }

        return $bytes;
    }
}
