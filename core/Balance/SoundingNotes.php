<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Sound\Decay;
use Tarnwind\Core\Touch\Heard;

/**
 * All notes of a piece as they sound by key and foot, and how far one stands over the others at a moment: its level less the
 * level of everything else, each other note weakened by so much a semitone it lies below or above [start, handbook of the
 * trade]. Half pedal counts as full.
 */
final readonly class SoundingNotes
{
    /** dB a semitone for a note that lies below, and for one above. */
    private const BELOW = 0.4;

    private const ABOVE = 1.0;

    /** A string this far below its stroke, in dB, no longer counts. */
    public const SILENT = 60.0;

    /**
     * @param  list<Sounding>  $all  by onset
     */
    private function __construct(public array $all, private Decay $decay)
    {
    }

    public static function of(Performance $performance): self
    {
        [$score, $tempo, $levels, $lengths] = [$performance->score(), $performance->tempo(), $performance->levels(), $performance->lengths()];
        $heard = new Heard($score, $tempo, $lengths, $performance->spans());
        $sounding = $again = [];
        foreach ($score->notes as $note) {
            if ($note->grace || ! isset($lengths[$note->id])) {
                continue;
            }
            $from = $tempo->seconds($note->onset);
            // A key that is struck again begins anew.
            if (isset($again[$note->midi])) {
                $sounding[$again[$note->midi]]->until = min($sounding[$again[$note->midi]]->until, $from);
            }
            $again[$note->midi] = count($sounding);
            $sounding[] = new Sounding($note, $from, $tempo->seconds($note->end()), $tempo->seconds($heard->until($lengths[$note->id])), $levels->level($note));
        }

        return new self($sounding, $performance->student->piano->acoustics()->decay);
    }

    /**
     * dB by which one note stands over others at a moment, in seconds.
     *
     * @param  list<Sounding>  $others
     */
    public function margin(Sounding $one, array $others, float $now): float
    {
        $power = 0.0;
        foreach ($others as $other) {
            $level = $this->counted($one, $other, $now);
            $power += $level === null ? 0.0 : 10 ** ($level / 10);
        }

        return $power <= 1e-12 ? self::SILENT : min(self::SILENT, $this->now($one, $now) - 10 * log10($power));
    }

    /**
     * What sounds beside a note at a moment, in seconds, the loudest first.
     *
     * @param  callable(Note): bool  $counts
     * @return list<array{Note, float}> with how far each stands over the note, dB
     */
    public function beside(Note $note, float $now, callable $counts): array
    {
        $one = array_values(array_filter($this->all, fn (Sounding $sounding): bool => $sounding->note === $note))[0] ?? null;
        if ($one === null) {
            return [];
        }
        $found = [];
        foreach ($this->all as $other) {
            $level = $other === $one || ! $counts($other->note) ? null : $this->counted($one, $other, $now);
            if ($level !== null) {
                $found[] = [$other->note, $level - $this->now($one, $now)];
            }
        }
        usort($found, fn (array $a, array $b): int => $b[1] <=> $a[1]);

        return $found;
    }

    private function now(Sounding $one, float $now): float
    {
        return $one->level - $this->decay->attenuation($one->note->midi, $now - $one->from);
    }

    /**
     * Level of another note as it counts beside one, dB; null where it does not sound.
     */
    private function counted(Sounding $one, Sounding $other, float $now): ?float
    {
        if ($other->from > $now + 1e-6 || $other->until <= $now) {
            return null;
        }
        $lost = $this->decay->attenuation($other->note->midi, $now - $other->from);
        $apart = $one->note->midi - $other->note->midi;

        return $lost > self::SILENT ? null : $other->level - $lost - ($apart >= 0 ? self::BELOW * $apart : -self::ABOVE * $apart);
    }
}
