<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMDocument;
use DOMElement;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;

/**
 * Writes words above the upper staff.
 */
final class WordsWriter
{
    /** Numbers of dashes that stand beside printed ones. */
    private const NUMBER = '6';

    /**
     * @param  list<array{Fraction, string, 2?: ?Fraction}>  $words  quarters from the beginning, what stands there, and to where dashes lead from it
     */
    public static function write(WorkingTree $tree, Score $score, array $words): void
    {
        if ($words === []) {
            return;
        }
        $part = $tree->part($score->readParts[0]);
        $owner = $part->ownerDocument;
        assert($owner instanceof DOMDocument);
        $directions = Directions::in($part, count($score->readParts) === 1 && $score->staves() > 1 ? 1 : null);
        foreach ($words as $one) {
            [$at, $text] = $one;
            $to = $one[2] ?? null;
            $direction = self::direction($owner);
            $element = $owner->createElement('words');
            $element->appendChild($owner->createTextNode($text));
            $element->setAttribute('font-style', 'italic');
            $direction->appendChild($owner->createElement('direction-type'))->appendChild($element);
            if ($to !== null) {
                $direction->appendChild(self::dashes($owner, 'start'));
            }
            $measure = $score->measureAt($at);
            $directions->insert($measure->index, $at->minus($measure->start), $direction);
            if ($to !== null) {
                $end = self::direction($owner);
                $end->appendChild(self::dashes($owner, 'stop'));
                $measure = $score->measureAt($to);
                // What ends at a bar line ends in the bar before it.
                $measure = $measure->index > 0 && $measure->start->equals($to) ? $score->measures[$measure->index - 1] : $measure;
                $directions->insert($measure->index, $to->minus($measure->start), $end);
            }
        }
    }

    private static function direction(DOMDocument $tree): DOMElement
    {
        $direction = $tree->createElement('direction');
        $direction->setAttribute('placement', 'above');

        return $direction;
    }

    private static function dashes(DOMDocument $tree, string $type): DOMElement
    {
        $dashes = $tree->createElement('dashes');
        $dashes->setAttribute('type', $type);
        $dashes->setAttribute('number', self::NUMBER);
        $kind = $tree->createElement('direction-type');
        $kind->appendChild($dashes);

        return $kind;
    }
}
