<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\Derived;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\LayeredNote;

/**
 * How well every note of the melody and of inner lines is heard through its length, over all that sounds with it.
 */
final readonly class Audibility implements Derived
{
    /** dB over all else, at the stroke, from which an inner line is heard [start]. */
    public const INNER = -9.0;

    /**
     * @param  list<Audible>  $all  by onset
     */
    private function __construct(public array $all)
    {
    }

    public static function in(Performance $performance): static
    {
        $notes = SoundingNotes::of($performance);
        $sounding = $notes->all;
        $layers = $performance->reading()->layers;
        $all = [];
        $first = 0;
        foreach ($sounding as $index => $one) {
            // What has been let go before all that follows begins need not be looked at again.
            while ($sounding[$first]->until < $one->from && $first < $index) {
                $first++;
            }
            if (in_array($layers[$one->note->id]->layer ?? null, [Layer::Melody, Layer::Inner], true)) {
                $all[] = self::hear($one, $notes, $first, $layers);
            }
        }

        return new self($all);
    }

    /**
     * @param  int  $first  index of the first note that may still sound
     * @param  array<string, LayeredNote>  $layers
     */
    private static function hear(Sounding $one, SoundingNotes $notes, int $first, array $layers): Audible
    {
        $sounding = $notes->all;
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
        $struck = $notes->margin($one, $others, $one->from);
        [$least, $lost] = [$struck, $struck < 0 ? $one->note->onset->toFloat() : null];
        foreach ($moments as [$seconds, $at]) {
            $margin = $notes->margin($one, $others, $seconds);
            $lost = $margin < 0 ? $lost ?? $at : null;
            $least = min($least, $margin);
        }

        return new Audible($one->note, $one->to - $one->from, $struck, $notes->margin($one, $others, ($one->from + $one->to) / 2), $least, $lost, $over);
    }
}
