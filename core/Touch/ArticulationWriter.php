<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use DOMElement;
use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\Performance;

/**
 * Writes articulations in place of the signs for length that stand there.
 */
final class ArticulationWriter implements ScoreWriter
{
    /** Signs that say how long a note is held; accents and others stay. */
    private const OF_LENGTH = ['staccato', 'staccatissimo', 'tenuto', 'strong-accent', 'detached-legato', 'spiccato'];

    public function write(WorkingTree $tree, Performance $performance): void
    {
        foreach (LengthsByStyle::articulations($performance->plan) as $id => $articulation) {
            $note = $tree->note($id);
            if ($note !== null) {
                self::articulate($note, $articulation);
            }
        }
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
