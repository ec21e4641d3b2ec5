<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use DOMElement;
use Tarnwind\Core\Notation\MusicXml\Document;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Performance\Articulation;

/**
 * Writes articulations into a MusicXML document, in place of the signs for length that stand there.
 */
final class ArticulationWriter
{
    /** Signs that say how long a note is held; accents and others stay. */
    private const OF_LENGTH = ['staccato', 'staccatissimo', 'tenuto', 'strong-accent', 'detached-legato', 'spiccato'];

    /**
     * @param  array<string, Articulation>  $articulations  by note id
     */
    public static function write(Document $document, array $articulations): Document
    {
        if ($articulations === []) {
            return $document;
        }
        $copy = $document->copy();
        foreach ($copy->parts() as $part) {
            foreach (Xml::children($part, 'measure') as $measure) {
                foreach (Xml::children($measure, 'note') as $note) {
                    $articulation = $articulations[$note->getAttribute('id')] ?? null;
                    if ($articulation !== null) {
                        self::articulate($note, $articulation);
                    }
                }
            }
        }

        return $copy;
    }

    private static function articulate(DOMElement $note, Articulation $articulation): void
    {
        Xml::dropNotations($note, 'articulations', self::OF_LENGTH);
        foreach ($articulation->signs() as $sign) {
            $group = Xml::notation($note, 'articulations');
            $group->appendChild(new DOMElement($sign));
        }
    }
}
