<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use DOMElement;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\Xml;

/**
 * Writes fingers into a MusicXML document; a silent change as the format has it.
 */
final class FingeringWriter
{
    /**
     * The document with fingers at some notes, in place of those printed there.
     *
     * @param  array<string, string>  $fingers  "3" or "5-1" by note id
     */
    public static function write(Document $document, array $fingers): Document
    {
        if ($fingers === []) {
            return $document;
        }
        $copy = $document->copy();
        foreach ($copy->parts() as $part) {
            foreach (Xml::children($part, 'measure') as $measure) {
                foreach (Xml::children($measure, 'note') as $note) {
                    $finger = $fingers[$note->getAttribute('id')] ?? null;
                    if ($finger !== null) {
                        self::finger($note, explode('-', $finger));
                    }
                }
            }
        }

        return $copy;
    }

    /**
     * @param  list<string>  $fingers  the one that strikes, and the one it changes to
     */
    private static function finger(DOMElement $note, array $fingers): void
    {
        Xml::dropNotations($note, 'technical', ['fingering']);
        $technical = Xml::notation($note, 'technical');
        foreach ($fingers as $index => $finger) {
            $element = new DOMElement('fingering', $finger);
            $technical->appendChild($element);
            if ($index > 0) {
                $element->setAttribute('substitution', 'yes');
            }
        }
    }
}
