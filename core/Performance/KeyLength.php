<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Note;

/**
 * How long a key is held, and why.
 */
final readonly class KeyLength
{
    /** Seconds a key needs to come up before it is struck again [start]. */
    public const KEY_RISES = 0.06;

    /**
     * @param  float  $share  of the written length, as sign, slur and style ask
     * @param  float  $left  when the key is left, in quarters from the beginning: overlap and keys struck again heeded
     * @param  ?Articulation  $articulation  printed or the teacher's; null for what follows from slurs and style
     * @param  bool  $own  whether the teacher asks for it
     * @param  bool  $ends  whether a slur ends here and another note follows at once
     */
    public function __construct(
        public Note $note,
        public float $share,
        public float $left,
        public string $reason,
        public ?Articulation $articulation = null,
        public bool $own = false,
        public bool $ends = false,
    ) {
    }

    /**
     * Whether the note asks for dryness.
     */
    public function isDry(): bool
    {
        return $this->articulation?->isShort() === true;
    }
}
