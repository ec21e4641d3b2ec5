<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use Tarnwind\Core\Notation\MusicXml\WorkingTree;
use Tarnwind\Core\Performance\Performance;

/**
 * Writes what a craft plans into a score that is handed out.
 */
interface ScoreWriter
{
    public function write(WorkingTree $tree, Performance $performance): void;
}
