<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use DOMDocument;
use DOMElement;
use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\Directions;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Sign;

/**
 * Writes the teacher's dynamics and hairpins in place of the printed ones that they replace.
 */
final class DynamicsWriter implements ScoreWriter
{
    /** Numbers of hairpins that stand beside printed ones. */
    private const NUMBER = '6';

    public function write(WorkingTree $tree, Performance $performance): void
    {
        $score = $performance->written;
        $own = PlannedDynamics::signs($score, $performance->plan);
        if ($own === []) {
            return;
        }
        $kept = array_map(self::name(...), $performance->score()->marks);
        foreach ($score->readParts as $id) {
            self::dropReplaced($tree->part($id), array_values(array_filter($score->marks, fn (Sign $sign): bool => ! in_array(self::name($sign), $kept, true))), $performance);
        }
        $part = $tree->part($score->readParts[0]);
        $owner = $part->ownerDocument;
        assert($owner instanceof DOMDocument);
        $isOne = count($score->readParts) === 1 && $score->staves() > 1;
        $upper = Directions::in($part, $isOne ? 1 : null);
        $lower = $isOne ? Directions::in($part, 2) : Directions::in($tree->part($score->readParts[count($score->readParts) - 1]), null);
        foreach ($own as $sign) {
            $measure = $score->measureAt($sign->onset);
            if ($sign->value === 'stop' && $measure->index > 0 && $measure->start->equals($sign->onset)) {
                $measure = $score->measures[$measure->index - 1];
            }
            ($sign->staff === 2 ? $lower : $upper)->insert($measure->index, $sign->onset->minus($measure->start), self::direction($owner, $sign));
        }
    }

    private static function name(Sign $sign): string
    {
        return "$sign->kind $sign->onset $sign->value $sign->staff".($sign->own ? ' own' : '');
    }

    /**
     * @param  list<Sign>  $replaced
     */
    private static function dropReplaced(DOMElement $part, array $replaced, Performance $performance): void
    {
        $bars = Xml::children($part, 'measure');
        foreach ($replaced as $sign) {
            $wanted = $sign->kind === 'wedge' ? 'wedge' : 'dynamics';
            // The end of a hairpin may stand at the end of the bar before.
            foreach (array_filter([$bars[$sign->measure] ?? null, $sign->measure > 0 ? $bars[$sign->measure - 1] : null]) as $bar) {
                if (self::dropFirst($bar, $wanted, (string) $sign->value)) {
                    break;
                }
            }
        }
    }

    private static function dropFirst(DOMElement $bar, string $kind, string $value): bool
    {
        foreach (Xml::children($bar, 'direction') as $direction) {
            foreach (Xml::children($direction, 'direction-type') as $type) {
                $element = Xml::child($type, $kind);
                if ($element === null || ($kind === 'wedge' ? $element->getAttribute('type') !== $value : Xml::child($element, $value) === null)) {
                    continue;
                }
                $direction->removeChild($type);
                if (Xml::child($direction, 'direction-type') === null) {
                    $bar->removeChild($direction);
                }

                return true;
            }
        }

        return false;
    }

    private static function direction(DOMDocument $tree, Sign $sign): DOMElement
    {
        $direction = $tree->createElement('direction');
        $direction->setAttribute('placement', 'below');
        $type = $direction->appendChild($tree->createElement('direction-type'));
        if ($sign->kind === 'wedge') {
            $wedge = $tree->createElement('wedge');
            $wedge->setAttribute('type', (string) $sign->value);
            $wedge->setAttribute('number', self::NUMBER);
            $type->appendChild($wedge);
        } else {
            $type->appendChild($tree->createElement('dynamics'))->appendChild($tree->createElement((string) $sign->value));
        }

        return $direction;
    }
}
