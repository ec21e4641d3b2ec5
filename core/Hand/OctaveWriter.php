<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use DOMElement;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\Xml;

/**
 * Writes notes in another octave into a MusicXML document.
 */
final class OctaveWriter
{
    /**
     * @param  array<string, int>  $octaves  upwards, by id of every piece of a tied chain
     */
    public static function write(Document $document, array $octaves): Document
    {
        if ($octaves === []) {
            return $document;
        }
        $copy = $document->copy();
        foreach ($copy->parts() as $part) {
            foreach (Xml::children($part, 'measure') as $measure) {
                foreach (Xml::children($measure, 'note') as $note) {
                    $up = $octaves[$note->getAttribute('id')] ?? 0;
                    $octave = $up === 0 ? null : self::octaveOf($note);
                    if ($octave !== null) {
                        $octave->textContent = (string) ((int) trim($octave->textContent) + $up);
                    }
                }
            }
        }

        return $copy;
    }

    private static function octaveOf(DOMElement $note): ?DOMElement
    {
        $pitch = Xml::child($note, 'pitch');

        return $pitch === null ? null : Xml::child($pitch, 'octave');
    }
}
