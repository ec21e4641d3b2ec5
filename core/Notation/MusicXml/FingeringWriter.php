<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;

/**
 * Writes fingers into a MusicXML document; a silent change as the format has it.
 */
final class FingeringWriter
{
    /** What stands after the notations of a note. */
    private const AFTER = ['lyric', 'play', 'listen'];

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
        self::clear($note);
        $document = $note->ownerDocument;
        if ($document === null) {
            return;
        }
        $notations = Xml::child($note, 'notations') ?? self::notations($note);
        $technical = $notations->appendChild($document->createElement('technical'));
        foreach ($fingers as $index => $finger) {
            $element = $document->createElement('fingering', $finger);
            if ($index > 0) {
                $element->setAttribute('substitution', 'yes');
            }
            $technical->appendChild($element);
        }
    }

    private static function clear(DOMElement $note): void
    {
        foreach (Xml::children($note, 'notations') as $notations) {
            foreach (Xml::children($notations, 'technical') as $technical) {
                foreach (Xml::children($technical, 'fingering') as $fingering) {
                    $technical->removeChild($fingering);
                }
                if (Xml::children($technical) === []) {
                    $notations->removeChild($technical);
                }
            }
        }
    }

    private static function notations(DOMElement $note): DOMElement
    {
        $before = null;
        foreach (Xml::children($note) as $child) {
            $before ??= in_array($child->nodeName, self::AFTER, true) ? $child : null;
        }
        $notations = new DOMElement('notations');
        $note->insertBefore($notations, $before);

        return $notations;
    }
}
