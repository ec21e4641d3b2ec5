<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

use Tarnwind\Core\Rendition\MidiWriter;

/**
 * Writes a take as a Standard MIDI File, format 0, a tick a millisecond.
 */
final class TakeWriter
{
    /** Ticks a quarter of 120 a minute, so that a tick is a millisecond. */
    private const DIVISION = 500;

    public static function write(Take $take, string $title = ''): string
    {
        $events = [];
        foreach ($take->notes as $note) {
            $onset = (int) round($note->onset);
            $events[] = [$onset, 2, pack('C3', 0x90, $note->midi, $note->velocity)];
            $events[] = [max($onset + 1, (int) round($note->release)), 0, pack('C3', 0x80, $note->midi, 64)];
        }
        foreach ($take->foot as $move) {
            $events[] = [(int) round($move->ms), 1, pack('C3', 0xB0, $move->controller, $move->value)];
        }
        // What is left comes before what is struck at the same time.
        usort($events, fn (array $a, array $b): int => $a[0] <=> $b[0] ?: $a[1] <=> $b[1]);
        $title = mb_strcut($title, 0, 100);
        $track = "\x00\xFF\x03".MidiWriter::variableLength(strlen($title)).$title."\x00\xFF\x51\x03\x07\xA1\x20";
        $now = 0;
        foreach ($events as [$tick, , $message]) {
            $track .= MidiWriter::variableLength(max(0, $tick) - $now).$message;
            $now = max(0, $tick);
        }
        $track .= "\x00\xFF\x2F\x00";

        return 'MThd'.pack('Nnnn', 6, 0, 1, self::DIVISION).'MTrk'.pack('N', strlen($track)).$track;
    }
}
