<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use DOMDocument;
use DOMElement;
use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\Directions;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Score\Fraction;

/**
 * Writes pedal spans as pedal directions with a line, under the lowest staff of the part, in place of the part's own.
 */
final class PedalWriter implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        $score = $performance->written;
        foreach ($score->readParts as $id) {
            self::clear($tree->part($id));
        }
        $lowest = $tree->part($score->readParts[count($score->readParts) - 1]);
        $owner = $lowest->ownerDocument;
        assert($owner instanceof DOMDocument);
        $staves = count($score->readParts) === 1 ? $score->staves() : 1;
        $directions = Directions::in($lowest, $staves > 1 ? $staves : null);
        // Engravers do not draw chains of changes: there a change is an end and a beginning.
        $pairs = $tree->forEngraving;
        foreach (self::events($performance->spans(), $pairs) as [$at, $type, $half]) {
            $measure = $score->measureAt($at);
            if ($type === 'stop' && ! $pairs && $measure->index > 0 && $measure->start->equals($at)) {
                $measure = $score->measures[$measure->index - 1];
            }
            $directions->insert($measure->index, $at->minus($measure->start), self::direction($owner, $type, $half));
        }
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

    private static function direction(DOMDocument $tree, string $type, bool $half): DOMElement
    {
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

        return $direction;
    }
}
