<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;
use Tarnwind\Core\Score\Fraction;

/**
 * A metric modulation: two note values with a sign of equality, the first of them before, the second from here on.
 */
final class Modulation
{
    /**
     * @return ?float how many times as fast the quarter goes; null for a mark that says something else
     */
    public static function of(DOMElement $metronome): ?float
    {
        [$before, $after] = Xml::child($metronome, 'metronome-relation') === null ? self::beatUnits($metronome) : self::noteGroups($metronome);

        return $before === null || $after === null || $before->isZero() ? null : $after->dividedBy($before)->toFloat();
    }

    /**
     * @return array{?Fraction, ?Fraction} quarters
     */
    private static function beatUnits(DOMElement $metronome): array
    {
        $units = [];
        foreach (Xml::children($metronome) as $child) {
            if ($child->nodeName === 'beat-unit') {
                $units[] = [trim($child->textContent), 0];
            } elseif ($child->nodeName === 'beat-unit-dot' && $units !== []) {
                $units[count($units) - 1][1]++;
            }
        }

        return count($units) === 2 ? [Durations::value(...$units[0]), Durations::value(...$units[1])] : [null, null];
    }

    /**
     * @return array{?Fraction, ?Fraction} quarters of the notes on each side together
     */
    private static function noteGroups(DOMElement $metronome): array
    {
        $sides = [Fraction::zero(), Fraction::zero()];
        $side = 0;
        foreach (Xml::children($metronome) as $child) {
            if ($child->nodeName === 'metronome-relation') {
                $side = 1;
            } elseif ($child->nodeName === 'metronome-note') {
                $value = Durations::value(Xml::text($child, 'metronome-type') ?? '', count(Xml::children($child, 'metronome-dot')));
                if ($value === null) {
                    return [null, null];
                }
                $sides[$side] = $sides[$side]->plus(self::inTuplet($child, $value));
            }
        }

        return $sides;
    }

    private static function inTuplet(DOMElement $note, Fraction $value): Fraction
    {
        $tuplet = Xml::child($note, 'metronome-tuplet');
        [$actual, $normal] = $tuplet === null ? [0, 0] : [(int) Xml::text($tuplet, 'actual-notes'), (int) Xml::text($tuplet, 'normal-notes')];

        return $actual > 0 && $normal > 0 ? $value->times(Fraction::of($normal, $actual)) : $value;
    }
}
