<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\LayeredNote;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Sound\Decay;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Touch\Heard;

/**
 * How well every note of the melody and of inner lines is heard through its length, over all that sounds with it by key
 * and foot: its level now minus the level of everything else now, each other note weakened by so much a semitone it lies
 * below or above [start, handbook of the trade]. Half pedal counts as full.
 */
final readonly class Audibility implements Derived
{
    /** dB a semitone for a note that lies below, and for one above. */
    private const BELOW = 0.4;

    private const ABOVE = 1.0;

    /** dB over all else, at the stroke, from which an inner line is heard [start]. */
    public const INNER = -9.0;

    /** A string this far below its stroke, in dB, no longer counts. */
    private const SILENT = 60.0;

    /**
     * @param  list<Audible>  $all  by onset
     */
    private function __construct(public array $all)
    {
    }

    public static function in(Performance $performance): static
    {
        $sounding = self::sounding($performance);
        $layers = $performance->reading()->layers;
        $decay = $performance->student->piano->acoustics()->decay;
        $all = [];
        $first = 0;
        foreach ($sounding as $index => $one) {
            // What has been let go before all that follows begins need not be looked at again.
            while ($sounding[$first]->until < $one->from && $first < $index) {
                $first++;
            }
            if (in_array($layers[$one->note->id]->layer ?? null, [Layer::Melody, Layer::Inner], true)) {
                $all[] = self::hear($one, $sounding, $first, $layers, $decay, $performance);
            }
        }

        return new self($all);
    }

    /**
     * @return list<Sounding> by onset
     */
    private static function sounding(Performance $performance): array
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
            $sounding[] = new Sounding(
                $note, $from, $tempo->seconds($note->end()), $tempo->seconds($heard->until($lengths[$note->id])), Loudness::decibels($levels->velocity($note)),
            );
        }

        return $sounding;
    }

    /**
     * @param  list<Sounding>  $sounding
     * @param  array<string, LayeredNote>  $layers
     */
    private static function hear(Sounding $one, array $sounding, int $first, array $layers, Decay $decay, Performance $performance): Audible
    {
        $others = $over = [];
        $moments = [];
        for ($index = $first; isset($sounding[$index]) && $sounding[$index]->from < $one->to - 1e-6; $index++) {
            $other = $sounding[$index];
            if ($other->until < $one->from || $other->note === $one->note || ($layers[$other->note->id]->layer ?? null) === Layer::Melody && $layers[$one->note->id]->layer === Layer::Melody) {
                continue;
            }
            $others[] = $other;
            if ($other->from > $one->from + 1e-6) {
                $moments[] = [$other->from, $other->note->onset->toFloat()];
                $over[] = $other->note;
            }
        }
        $first = self::margin($one, $others, $one->from, $decay);
        [$least, $lost] = [$first, $first < 0 ? $one->note->onset->toFloat() : null];
        foreach ($moments as [$seconds, $at]) {
            $margin = self::margin($one, $others, $seconds, $decay);
            $lost = $margin < 0 ? $lost ?? $at : null;
            $least = min($least, $margin);
        }

        return new Audible($one->note, $one->to - $one->from, $first, self::margin($one, $others, ($one->from + $one->to) / 2, $decay), $least, $lost, $over);
    }

    /**
     * dB at a moment, in seconds.
     *
     * @param  list<Sounding>  $others
     */
    private static function margin(Sounding $one, array $others, float $now, Decay $decay): float
    {
        $midi = $one->note->midi;
        $power = 0.0;
        foreach ($others as $other) {
            if ($other->from > $now + 1e-6 || $other->until <= $now) {
                continue;
            }
            $lost = $decay->attenuation($other->note->midi, $now - $other->from);
            $apart = $midi - $other->note->midi;
            $power += $lost > self::SILENT ? 0.0 : 10 ** (($other->level - $lost - ($apart >= 0 ? self::BELOW * $apart : -self::ABOVE * $apart)) / 10);
        }
        $own = $one->level - $decay->attenuation($midi, $now - $one->from);

        return $power <= 1e-12 ? self::SILENT : min(self::SILENT, $own - 10 * log10($power));
    }
}
