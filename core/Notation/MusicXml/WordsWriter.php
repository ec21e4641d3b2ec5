<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMDocument;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;

/**
 * Writes the teacher's words into a MusicXML document, above the upper staff.
 */
final class WordsWriter
{
    /**
     * @param  list<array{Fraction, string}>  $words  quarters from the beginning, and what stands there
     */
    public static function write(Document $document, Score $score, array $words): Document
    {
        if ($words === []) {
            return $document;
        }
        $copy = $document->copy();
        $part = $copy->parts()[$score->readParts[0]];
        $tree = $part->ownerDocument;
        assert($tree instanceof DOMDocument);
        $directions = Directions::in($part, count($score->readParts) === 1 && $score->staves() > 1 ? 1 : null);
        foreach ($words as [$at, $text]) {
            $direction = $tree->createElement('direction');
            $direction->setAttribute('placement', 'above');
            $element = $tree->createElement('words');
            $element->appendChild($tree->createTextNode($text));
            $element->setAttribute('font-style', 'italic');
            $direction->appendChild($tree->createElement('direction-type'))->appendChild($element);
            $measure = $score->measureAt($at);
            $directions->insert($measure->index, $at->minus($measure->start), $direction);
        }

        return $copy;
    }
}
