<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Take\PlayedNote;

/**
 * A note as it was to be played and as it was.
 */
final readonly class Pair
{
    /**
     * @param  int  $place  among all that was to be played
     * @param  float  $level  dB, brought to the instrument and the level of the plan
     * @param  float  $plannedLevel  dB
     */
    public function __construct(
        public int $place,
        public KeyEvent $planned,
        public PlayedNote $played,
        public Note $note,
        public Layer $layer,
        public Hand $hand,
        public float $level,
        public float $plannedLevel,
    ) {
    }
}
