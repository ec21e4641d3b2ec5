<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMDocument;
use DOMElement;
use Tarnwind\Core\Pedal\Depth;
use Tarnwind\Core\Pedal\Span;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;

/**
 * Writes pedal spans into a MusicXML document as pedal directions with a line, under the lowest staff of the part.
 */
final class PedalWriter
{
    /**
     * The document with the part's own pedal marks replaced by the given ones.
     *
     * @param  list<Span>  $spans  in order, not overlapping
     * @param  bool  $pairs  write a change as an end and a beginning, for engravers that do not draw changes
     */
    public static function write(Document $document, Score $score, array $spans, bool $pairs = false): Document
    {
        $copy = $document->copy();
        foreach ($score->readParts as $id) {
            self::clear($copy->parts()[$id]);
        }
        $lowest = $copy->parts()[$score->readParts[count($score->readParts) - 1]];
        $staves = count($score->readParts) === 1 ? $score->staves() : 1;
        $bars = Xml::children($lowest, 'measure');
        $divisions = self::divisions($bars);
        foreach (self::events($spans, $pairs) as [$at, $type, $half]) {
            $measure = $score->measureAt($at);
            if ($type === 'stop' && ! $pairs && $measure->index > 0 && $measure->start->equals($at)) {
                $measure = $score->measures[$measure->index - 1];
            }
            $bar = $bars[$measure->index] ?? null;
            if ($bar !== null) {
                self::insert($bar, $at->minus($measure->start), $divisions[$measure->index], $type, $half, $staves);
            }
        }

        return $copy;
    }

    /**
     * @param  list<Span>  $spans
     * @return list<array{Fraction, string, bool}> place, type of pedal mark, half pedal
     */
    private static function events(array $spans, bool $pairs): array
    {
        $events = [];
        foreach ($spans as $index => $span) {
            $changes = ! $pairs && $index > 0 && $spans[$index - 1]->up->equals($span->down);
            $events[] = [$span->down, $changes ? 'change' : 'start', $span->depth === Depth::Half];
            $next = $spans[$index + 1] ?? null;
            if ($pairs || $next === null || ! $next->down->equals($span->up)) {
                $events[] = [$span->up, 'stop', false];
            }
        }

        return $events;
    }

    private static function clear(DOMElement $part): void
    {
        foreach (Xml::children($part, 'measure') as $measure) {
            foreach (Xml::children($measure, 'direction') as $direction) {
                foreach (Xml::children($direction, 'direction-type') as $type) {
                    if (Xml::child($type, 'pedal') !== null) {
                        $direction->removeChild($type);
                    }
                }
                if (Xml::child($direction, 'direction-type') === null) {
                    $measure->removeChild($direction);
                }
            }
        }
    }

    /**
     * @param  list<DOMElement>  $bars
     * @return list<Fraction> divisions to a quarter at the beginning of each bar
     */
    private static function divisions(array $bars): array
    {
        $current = Fraction::of(1);
        $result = [];
        foreach ($bars as $bar) {
            $result[] = $current;
            foreach (Xml::children($bar, 'attributes') as $attributes) {
                $current = Durations::divisions($attributes) ?? $current;
            }
        }

        return $result;
    }

    /**
     * Puts the mark before what begins at its place on the lowest staff, or on another, or else near it with an offset.
     */
    private static function insert(DOMElement $bar, Fraction $at, Fraction $divisions, string $type, bool $half, int $staves): void
    {
        $cursor = Fraction::zero();
        /** @var ?array{DOMElement, Fraction, Fraction, int} $best element to stand before, its place, divisions there, rank */
        $best = null;
        for ($child = $bar->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            $length = Fraction::zero();
            if ($child->nodeName === 'attributes') {
                $divisions = Durations::divisions($child) ?? $divisions;
            } elseif ($child->nodeName === 'note' && Xml::child($child, 'chord') === null) {
                $rank = self::rank($cursor, $at, (int) (Xml::text($child, 'staff') ?? 1) === $staves);
                if ($best === null || $rank < $best[3]) {
                    $best = [$child, $cursor, $divisions, $rank];
                }
                $length = Durations::ofNote($child, $divisions) ?? Fraction::zero();
            } elseif ($child->nodeName === 'forward') {
                $length = Durations::read($child, $divisions) ?? Fraction::zero();
            } elseif ($child->nodeName === 'backup') {
                $length = Fraction::zero()->minus(Durations::read($child, $divisions) ?? Fraction::zero());
            }
            $cursor = $cursor->plus($length);
            if ($cursor->isLessThan(Fraction::zero())) {
                $cursor = Fraction::zero();
            }
        }
        if ($best !== null && $best[1]->equals($at)) {
            self::insertBefore($bar, $best[0], self::direction($bar, $type, $half, $staves, null));

            return;
        }
        $offset = $at->minus($cursor);
        $after = self::lastOfMusic($bar);
        self::insertBefore($bar, $after, self::direction($bar, $type, $half, $staves, $offset->isZero() ? null : $offset->times($divisions)));
    }

    /**
     * 0 is best: at the place, on the lowest staff.
     */
    private static function rank(Fraction $cursor, Fraction $at, bool $lowestStaff): int
    {
        return ($cursor->equals($at) ? 0 : 2) + ($lowestStaff ? 0 : 1);
    }

    /**
     * The closing bar line, or null for the end of the bar.
     */
    private static function lastOfMusic(DOMElement $bar): ?DOMElement
    {
        $last = $bar->lastElementChild;

        return $last !== null && $last->nodeName === 'barline' && $last->getAttribute('location') !== 'left' ? $last : null;
    }

    private static function insertBefore(DOMElement $bar, ?DOMElement $place, DOMElement $direction): void
    {
        if ($place === null) {
            $bar->appendChild($direction);
        } else {
            $bar->insertBefore($direction, $place);
        }
    }

    /**
     * @param  ?Fraction  $offset  divisions
     */
    private static function direction(DOMElement $bar, string $type, bool $half, int $staves, ?Fraction $offset): DOMElement
    {
        $tree = $bar->ownerDocument;
        assert($tree instanceof DOMDocument);
        $direction = $tree->createElement('direction');
        $direction->setAttribute('placement', 'below');
        if ($half) {
            $kind = $direction->appendChild($tree->createElement('direction-type'));
            $kind->appendChild($tree->createElement('words', '½'));
        }
        $pedal = $tree->createElement('pedal');
        $pedal->setAttribute('type', $type);
        $pedal->setAttribute('line', 'yes');
        $direction->appendChild($tree->createElement('direction-type'))->appendChild($pedal);
        if ($offset !== null) {
            $number = $offset->denominator === 1 ? (string) $offset->numerator : rtrim(sprintf('%.6f', $offset->toFloat()), '0');
            $element = $tree->createElement('offset', $number);
            $element->setAttribute('sound', 'yes');
            $direction->appendChild($element);
        }
        if ($staves > 1) {
            $direction->appendChild($tree->createElement('staff', (string) $staves));
        }

        return $direction;
    }
}
