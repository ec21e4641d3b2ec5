<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Note;

/**
 * The bass of a harmony: the lowest note that really sounds under it.
 */
final class Bass
{
    /** At places this strong a new bass makes a new inversion of the same chord. */
    private const STRONG = 0.75;

    /**
     * The lowest note that sounds within the first beat; one of the lowest staff that stands at the very beginning
     * for half a beat or more is not displaced by what is broken below it. Where its staff strikes nothing there, a bass struck
     * earlier in the bar rings on, if it belongs to the chord. A lone note above, as an up-beat has it, is no bass: the
     * first note of the lower staff is.
     *
     * @param  list<Slice>  $slices  of the piece or stretch
     * @param  list<int>  $chord  pitch classes
     */
    public static function of(array $slices, int $start, int $end, array $chord): ?Note
    {
        $lowest = self::lowest($slices, $start, $end);
        if ($lowest !== null && $lowest->staff === 1 && count($slices[$start]->notes) === 1) {
            $lowest = self::firstOfLowerStaff($slices, $start, $end) ?? $lowest;
        }
        for ($before = $start - 1; $before >= 0 && $slices[$before]->measure === $slices[$start]->measure; $before--) {
            foreach ($slices[$before]->notes as $note) {
                $rings = $lowest === null || ($note->midi < $lowest->midi && in_array($note->midi % 12, $chord, true) && ! self::isStruck($slices, $start, $end, $note->staff));
                $lowest = $rings ? $note : $lowest;
            }
        }

        return $lowest;
    }

    /**
     * Where within a harmony another chord note comes to lie in the bass, at the beginning of a bar or in its middle.
     *
     * @param  list<Slice>  $slices
     * @param  list<int>  $chord  pitch classes, the root first
     * @return list<int> indexes of slices
     */
    public static function changes(array $slices, int $start, int $end, array $chord): array
    {
        $changes = [];
        $bass = self::of($slices, $start, $end, $chord);
        for ($index = $start + 1; $index < $end && $bass !== null; $index++) {
            $slice = $slices[$index];
            if ($slice->strength < self::STRONG) {
                continue;
            }
            $new = self::lowestInBeat($slices, $index, $end);
            $place = $new === null ? false : array_search($new->midi % 12, $chord, true);
            if ($new === null || $place === false || $new->midi % 12 === $bass->midi % 12 || ! $new->onset->equals($slice->from)) {
                continue;
            }
            $before = self::lowestInBeat($slices, $index - 1, $index);
            $walks = $before !== null && abs($before->midi - $new->midi) <= 2;
            if ($slice->strength === 1.0 || ($place !== 2 && ! $walks)) {
                $changes[] = $index;
                $bass = $new;
            }
        }

        return $changes;
    }

    /**
     * @param  list<Slice>  $slices
     */
    private static function lowest(array $slices, int $start, int $end): ?Note
    {
        $first = null;
        foreach ($slices[$start]->notes as $note) {
            if (! $slices[$start]->from->isLessThan($note->onset) && ! $note->grace && ($first === null || $note->midi < $first->midi)) {
                $first = $note;
            }
        }
        $stands = $first !== null && $first->staff > 1 && $first->end()->toFloat() - $slices[$start]->start >= $slices[$start]->beat / 2;

        return $stands ? $first : self::lowestInBeat($slices, $start, $end);
    }

    /**
     * @param  list<Slice>  $slices
     */
    private static function lowestInBeat(array $slices, int $start, int $end): ?Note
    {
        $lowest = null;
        for ($index = $start; $index < $end && ($lowest === null || $slices[$index]->start < $slices[$start]->start + $slices[$start]->beat); $index++) {
            foreach ($slices[$index]->notes as $note) {
                if ($lowest === null || $note->midi < $lowest->midi) {
                    $lowest = $note;
                }
            }
        }

        return $lowest;
    }

    /**
     * @param  list<Slice>  $slices
     */
    private static function firstOfLowerStaff(array $slices, int $start, int $end): ?Note
    {
        for ($index = $start; $index < $end; $index++) {
            foreach ($slices[$index]->notes as $note) {
                if ($note->staff > 1) {
                    return $note;
                }
            }
        }

        return null;
    }

    /**
     * @param  list<Slice>  $slices
     */
    private static function isStruck(array $slices, int $start, int $end, int $staff): bool
    {
        for ($index = $start; $index < $end && $slices[$index]->start < $slices[$start]->start + $slices[$start]->beat; $index++) {
            foreach ($slices[$index]->notes as $note) {
                if ($note->staff === $staff && ! $note->onset->isLessThan($slices[$start]->from)) {
                    return true;
                }
            }
        }

        return false;
    }
}
