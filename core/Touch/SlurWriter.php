<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Craft\ScoreWriter;
use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Slur;

/**
 * Writes the slurs of a score as it is played in place of those that are written.
 */
final class SlurWriter implements ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void
    {
        [$written, $played] = [$performance->written, $performance->score()];
        $name = fn (Slur $slur): string => "$slur->from $slur->to";
        $before = array_flip(array_map($name, $written->slurs));
        $after = array_flip(array_map($name, $played->slurs));
        $gone = array_filter($written->slurs, fn (Slur $slur): bool => ! isset($after[$name($slur)]));
        $new = array_filter($played->slurs, fn (Slur $slur): bool => ! isset($before[$name($slur)]));
        if ($gone === [] && $new === []) {
            return;
        }
        $byId = array_column($written->notes, null, 'id');
        foreach ($written->readParts as $id) {
            $slurs = new PartSlurs($tree->notesOf($id));
            foreach ($gone as $slur) {
                $slurs->remove($byId[$slur->from], $byId[$slur->to]);
            }
            foreach ($new as $slur) {
                $slurs->add($byId[$slur->from], $byId[$slur->to]);
            }
        }
    }
}
