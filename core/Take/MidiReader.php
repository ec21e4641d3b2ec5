<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

/**
 * Reads a Standard MIDI File as a take: formats 0 and 1, running status, several tracks, tempo changes, times in quarters or in frames
 * [The MIDI Manufacturers Association, Standard MIDI Files 1.0].
 */
final class MidiReader
{
    /** Bytes of a file; an hour of dense playing has less. */
    public const MOST_BYTES = 4_000_000;

    private const MOST_NOTES = 200_000;

    /** Milliseconds of a quarter where no tempo is said: 120 a minute. */
    private const USUAL_QUARTER = 500_000;

    /** The drums of General MIDI are no piano. */
    private const DRUMS = 9;

    private const PEDALS = [64, 66, 67];

    private int $place = 0;

    /** @var list<array{int, int, int, int, int}> tick, kind, channel, first and second byte, in the order of the file */
    private array $events = [];

    /** @var array<int, int> microseconds a quarter, by tick */
    private array $tempos = [];

    private function __construct(private readonly string $bytes)
    {
    }

    /**
     * @throws UnreadableTake if it is not one
     */
    public static function read(string $bytes): Take
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw new UnreadableTake('This file is larger than a recording of a piece can be.');
        }
        if (! str_starts_with($bytes, 'MThd') || strlen($bytes) < 14) {
            throw new UnreadableTake('This is not a MIDI file.');
        }

        return (new self($bytes))->take();
    }

    private function take(): Take
    {
        $length = $this->number(4, 4);
        [$format, $tracks, $division] = [$this->number(8, 2), $this->number(10, 2), $this->number(12, 2)];
        if ($format > 1) {
            throw new UnreadableTake('This MIDI file holds several pieces one after the other; save the one that is meant by itself.');
        }
        $this->place = 8 + $length;
        while ($tracks > 0 && $this->place + 8 <= strlen($this->bytes)) {
            $tracks -= $this->chunk() ? 1 : 0;
        }
        usort($this->events, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $this->sounding($this->clock($division));
    }

    /**
     * One track; chunks of other kinds are passed over.
     *
     * @return bool whether it was a track
     */
    private function chunk(): bool
    {
        $kind = substr($this->bytes, $this->place, 4);
        $end = $this->place + 8 + $this->number($this->place + 4, 4);
        if ($end > strlen($this->bytes)) {
            throw new UnreadableTake('This MIDI file is cut off.');
        }
        $this->place += 8;
        if ($kind === 'MTrk') {
            $this->track($end);
        }
        $this->place = $end;

        return $kind === 'MTrk';
    }

    private function track(int $end): void
    {
        $tick = $status = 0;
        while ($this->place < $end) {
            $tick += $this->variableLength($end);
            $first = $this->byte($end);
            if ($first >= 0x80) {
                $status = $first;
                $data = null;
            } elseif ($status < 0x80 || $status >= 0xF0) {
                throw new UnreadableTake('This MIDI file is damaged: a message without a kind.');
            } else {
                $data = $first;
            }
            if ($status === 0xFF) {
                $this->meta($tick, $end);
            } elseif ($status >= 0xF0) {
                $this->place += $this->variableLength($end);
            } else {
                $this->message($tick, $status, $data ?? $this->byte($end), $end);
            }
        }
    }

    private function message(int $tick, int $status, int $first, int $end): void
    {
        $kind = $status >> 4;
        $second = $kind === 0xC || $kind === 0xD ? 0 : $this->byte($end);
        if (in_array($kind, [0x8, 0x9, 0xB], true)) {
            $this->events[] = [$tick, $kind === 0x9 && $second === 0 ? 0x8 : $kind, $status & 0xF, $first, $second];
        }
    }

    private function meta(int $tick, int $end): void
    {
        $kind = $this->byte($end);
        $length = $this->variableLength($end);
        if ($kind === 0x51 && $length === 3) {
            $this->tempos[$tick] = max(1, $this->number($this->place, 3));
        }
        $this->place += $length;
    }

    /**
     * @return callable(int): float from ticks to milliseconds
     */
    private function clock(int $division): callable
    {
        if ($division >= 0x8000) {
            // Frames a second, as a negative byte, and ticks a frame.
            $perSecond = (256 - ($division >> 8)) * max(1, $division & 0xFF);

            return fn (int $tick): float => 1000 * $tick / $perSecond;
        }
        if ($division === 0) {
            throw new UnreadableTake('This MIDI file does not say how long its quarters are.');
        }
        ksort($this->tempos);
        $steps = [[0, 0.0, self::USUAL_QUARTER]];
        foreach ($this->tempos as $tick => $micros) {
            [$from, $ms, $before] = $steps[count($steps) - 1];
            $steps[] = [$tick, $ms + ($tick - $from) * $before / $division / 1000, $micros];
        }
        $step = 0;

        return function (int $tick) use ($steps, $division, &$step): float {
            // Ticks come in order.
            while (isset($steps[$step + 1]) && $steps[$step + 1][0] <= $tick) {
                $step++;
            }
            [$from, $ms, $micros] = $steps[$step];

            return $ms + ($tick - $from) * $micros / $division / 1000;
        };
    }

    /**
     * @param  callable(int): float  $clock
     */
    private function sounding(callable $clock): Take
    {
        $notes = $foot = $down = [];
        $now = 0.0;
        foreach ($this->events as [$tick, $kind, $channel, $first, $second]) {
            $now = $clock($tick);
            if ($channel === self::DRUMS) {
                continue;
            }
            if ($kind === 0xB) {
                if (in_array($first, self::PEDALS, true)) {
                    $foot[] = new FootMove($now, $first, $second);
                }

                continue;
            }
            // A key that is struck again has come up.
            if (isset($down["$channel $first"])) {
                [$onset, $velocity] = $down["$channel $first"];
                $notes[] = new PlayedNote($first, $onset, $now, $velocity);
                unset($down["$channel $first"]);
            }
            if ($kind === 0x9) {
                $down["$channel $first"] = [$now, $second];
            }
        }
        foreach ($down as $key => [$onset, $velocity]) {
            $notes[] = new PlayedNote((int) explode(' ', $key)[1], $onset, $now, $velocity);
        }
        if ($notes === []) {
            throw new UnreadableTake('There is no note in this MIDI file.');
        }
        if (count($notes) > self::MOST_NOTES) {
            throw new UnreadableTake('There are more notes in this MIDI file than a piece has.');
        }
        usort($notes, fn (PlayedNote $a, PlayedNote $b): int => $a->onset <=> $b->onset ?: $a->midi <=> $b->midi);

        return new Take($notes, $foot);
    }

    private function byte(int $end): int
    {
        if ($this->place >= $end) {
            throw new UnreadableTake('This MIDI file is cut off.');
        }

        return ord($this->bytes[$this->place++]);
    }

    private function variableLength(int $end): int
    {
        $value = 0;
        for ($bytes = 0; $bytes < 4; $bytes++) {
            $byte = $this->byte($end);
            $value = ($value << 7) | ($byte & 0x7F);
            if ($byte < 0x80) {
                return $value;
            }
        }
        throw new UnreadableTake('This MIDI file is damaged: a time that does not end.');
    }

    private function number(int $at, int $bytes): int
    {
        $value = 0;
        for ($place = $at; $place < $at + $bytes; $place++) {
            $value = ($value << 8) | ord($this->bytes[$place] ?? throw new UnreadableTake('This MIDI file is cut off.'));
        }

        return $value;
    }
}
