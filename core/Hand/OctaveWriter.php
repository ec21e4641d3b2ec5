<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use DOMElement;
use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Performance\Performance;

/**
 * Writes notes in the octave in which they are played.
 */
final class OctaveWriter implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        $octaves = Octaves::of($performance->written, $performance->plan);
        $notes = $octaves === [] ? [] : array_column($performance->written->notes, null, 'id');
        foreach ($octaves as $id => $up) {
            foreach ($notes[$id]->pieces ?? [] as $piece) {
                $note = $tree->note($piece);
                $octave = $note === null ? null : self::octaveOf($note);
                if ($octave !== null) {
                    $octave->textContent = (string) ((int) trim($octave->textContent) + $up);
                }
            }
        }
    }

    private static function octaveOf(DOMElement $note): ?DOMElement
    {
        $pitch = Xml::child($note, 'pitch');

        return $pitch === null ? null : Xml::child($pitch, 'octave');
    }
}
