<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMDocument;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;

/**
 * Writes words above the upper staff.
 */
final class WordsWriter
{
    /**
     * @param  list<array{Fraction, string}>  $words  quarters from the beginning, and what stands there
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
        foreach ($words as [$at, $text]) {
            $direction = $owner->createElement('direction');
            $direction->setAttribute('placement', 'above');
            $element = $owner->createElement('words');
            $element->appendChild($owner->createTextNode($text));
            $element->setAttribute('font-style', 'italic');
            $direction->appendChild($owner->createElement('direction-type'))->appendChild($element);
            $measure = $score->measureAt($at);
            $directions->insert($measure->index, $at->minus($measure->start), $direction);
        }
    }
}
