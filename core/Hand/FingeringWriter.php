<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use DOMElement;
use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Performance\Performance;

/**
 * Writes the teacher's fingers in place of those printed; a silent change as the format has it.
 */
final class FingeringWriter implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        foreach (Fingering::own($performance->plan) as $id => $finger) {
            $note = $tree->note($id);
            if ($note !== null) {
                self::finger($note, explode('-', $finger));
            }
        }
    }

    /**
     * @param  list<string>  $fingers  the one that strikes, and the one it changes to
     */
    public static function finger(DOMElement $note, array $fingers): void
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
