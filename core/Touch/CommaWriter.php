<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use DOMElement;
use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Notation\MusicXml\Xml;
use Tarnwind\Core\Performance\Performance;

/**
 * Writes the teacher's commas.
 */
final class CommaWriter implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        foreach ($performance->plan->marksOf(CommaMark::class) as $mark) {
            $note = $tree->note($mark->note);
            if ($note !== null) {
                Xml::dropNotations($note, 'articulations', ['breath-mark']);
                Xml::notation($note, 'articulations')->appendChild(new DOMElement('breath-mark', 'comma'));
            }
        }
    }
}
