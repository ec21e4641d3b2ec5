<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMDocument;
use DOMElement;
use Tarnwind\Core\Score\Fraction;

/**
 * Puts the directions of each bar and staff into the order of their moments, along one stream of its notes: readers that take
 * them as they come in the file lose a pedal whose end stands before its change.
 */
final class DirectionOrder
{
    public static function settle(DOMElement $part): void
    {
        $divisions = Fraction::of(1);
        foreach (Xml::children($part, 'measure') as $bar) {
            [$directions, $divisions] = self::take($bar, $divisions);
            foreach ($directions as $staff => $placed) {
                usort($placed, fn (array $a, array $b): int => $a[0]->compareTo($b[0]));
                self::put($bar, $staff, $placed);
            }
        }
    }

    /**
     * Takes the directions of a bar out of it.
     *
     * @param  Fraction  $divisions  to a quarter at the beginning of the bar
     * @return array{array<int, non-empty-list<array{Fraction, DOMElement, Fraction}>>, Fraction} by staff: moment in quarters, direction, divisions
     *                                                                                  to a quarter there; and the divisions at the end of the bar
     */
    private static function take(DOMElement $bar, Fraction $divisions): array
    {
        $found = [];
        foreach (self::walk($bar, $divisions) as [$child, $cursor, $divisions]) {
            if ($child->nodeName === 'direction') {
                $offset = Xml::child($child, 'offset');
                $moved = $offset?->getAttribute('sound') === 'yes' ? Durations::offset($offset, $divisions) : null;
                $at = $moved === null ? $cursor : $cursor->plus($moved);
                $found[max(1, (int) (Xml::text($child, 'staff') ?? 1))][] = [$at, $child, $divisions];
            }
        }
        foreach ($found as $staff) {
            foreach ($staff as [, $direction]) {
                $bar->removeChild($direction);
            }
        }

        return [$found, $divisions];
    }

    /**
     * @param  non-empty-list<array{Fraction, DOMElement, Fraction}>  $placed  by moment
     */
    private static function put(DOMElement $bar, int $staff, array $placed): void
    {
        $stream = self::stream($bar, $staff, $placed);
        foreach ($placed as [$at, $direction, $divisions]) {
            // Before what begins at the moment, or before what has begun and goes on.
            [$before, $cursor] = $stream[0];
            foreach ($stream as [$child, $from]) {
                if ($cursor->isLessThan($from) && ! $at->isLessThan($from)) {
                    [$before, $cursor] = [$child, $from];
                }
            }
            self::offset($direction, $at->minus($cursor)->times($divisions));
            $before === null ? $bar->appendChild($direction) : $bar->insertBefore($direction, $before);
        }
    }

    /**
     * The places of one voice, of those that have notes on a staff the one with which most of the moments begin.
     *
     * @param  non-empty-list<array{Fraction, DOMElement, Fraction}>  $placed
     * @return non-empty-list<array{?DOMElement, Fraction}> what begins there, and when; at last what follows its last note
     */
    private static function stream(DOMElement $bar, int $staff, array $placed): array
    {
        /** @var list<non-empty-list<array{?DOMElement, Fraction}>> $streams */
        $streams = [];
        /** @var array<int, true> $here */
        $here = [];
        $open = false;
        foreach (self::walk($bar, $placed[0][2]) as [$child, $cursor]) {
            $isNote = $child->nodeName === 'note';
            if ($isNote && Xml::child($child, 'chord') !== null) {
                continue;
            }
            if ($open && in_array($child->nodeName, ['backup', 'forward', 'barline'], true)) {
                $streams[count($streams) - 1][] = [$child, $cursor];
                $open = false;
            }
            if ($isNote) {
                $open ? $streams[count($streams) - 1][] = [$child, $cursor] : $streams[] = [[$child, $cursor]];
                $open = true;
                if ((int) (Xml::text($child, 'staff') ?? 1) === $staff) {
                    $here[count($streams) - 1] = true;
                }
            }
        }
        if ($open) {
            $streams[count($streams) - 1][] = [null, self::endOf($bar, $placed[0][2])[0]];
        }
        $best = null;
        $most = -1;
        foreach ($here === [] ? $streams : array_intersect_key($streams, $here) as $places) {
            $begins = array_fill_keys(array_map(fn (array $place): string => (string) $place[1], $places), true);
            $meets = count(array_filter($placed, fn (array $one): bool => isset($begins[(string) $one[0]])));
            if ($meets > $most) {
                [$best, $most] = [$places, $meets];
            }
        }

        return $best ?? [[self::end($bar), Fraction::zero()]];
    }

    /**
     * The moment that is reached at the end of a bar's elements, in quarters, and the divisions to a quarter there.
     *
     * @return array{Fraction, Fraction}
     */
    public static function endOf(DOMElement $bar, Fraction $divisions): array
    {
        $end = Fraction::zero();
        foreach (self::walk($bar, $divisions) as [$child, $cursor, $divisions]) {
            $end = self::after($child, $cursor, $divisions);
        }

        return [$end, $divisions];
    }

    /**
     * Says by how much a direction is meant after, or before, where it stands.
     */
    public static function offset(DOMElement $direction, Fraction $divisions): void
    {
        $offset = Xml::child($direction, 'offset');
        if ($divisions->isZero()) {
            if ($offset?->getAttribute('sound') === 'yes') {
                $direction->removeChild($offset);
            }

            return;
        }
        $number = $divisions->denominator === 1 ? (string) $divisions->numerator : rtrim(sprintf('%.6f', $divisions->toFloat()), '0');
        if ($offset === null) {
            $owner = $direction->ownerDocument;
            assert($owner instanceof DOMDocument);
            $after = null;
            foreach (Xml::children($direction, 'direction-type') as $type) {
                $after = $type;
            }
            $offset = $owner->createElement('offset');
            $direction->insertBefore($offset, $after?->nextSibling);
        }
        $offset->textContent = $number;
        $offset->setAttribute('sound', 'yes');
    }

    /**
     * The closing bar line, or null for the end of the bar.
     */
    private static function end(DOMElement $bar): ?DOMElement
    {
        $last = $bar->lastElementChild;

        return $last !== null && $last->nodeName === 'barline' && $last->getAttribute('location') !== 'left' ? $last : null;
    }

    /**
     * What stands in a bar, with the moment that is reached before each.
     *
     * @return iterable<array{DOMElement, Fraction, Fraction}> element, quarters into the bar, divisions to a quarter
     */
    private static function walk(DOMElement $bar, Fraction $divisions): iterable
    {
        $cursor = Fraction::zero();
        for ($child = $bar->firstElementChild; $child !== null; $child = $next) {
            $next = $child->nextElementSibling;
            if ($child->nodeName === 'attributes') {
                $divisions = Durations::divisions($child) ?? $divisions;
            }
            yield [$child, $cursor, $divisions];
            $cursor = self::after($child, $cursor, $divisions);
        }
    }

    /**
     * The moment that is reached after an element.
     */
    private static function after(DOMElement $child, Fraction $cursor, Fraction $divisions): Fraction
    {
        $next = $cursor->plus(match (true) {
            $child->nodeName === 'note' && Xml::child($child, 'chord') === null => Durations::ofNote($child, $divisions) ?? Fraction::zero(),
            $child->nodeName === 'forward' => Durations::read($child, $divisions) ?? Fraction::zero(),
            $child->nodeName === 'backup' => Fraction::zero()->minus(Durations::read($child, $divisions) ?? Fraction::zero()),
            default => Fraction::zero(),
        });

        return $next->isLessThan(Fraction::zero()) ? Fraction::zero() : $next;
    }
}
