<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Score\Note;

/**
 * How long a key is held, and why.
 */
final readonly class KeyLength
{
    /**
     * @param  float  $share  of the written length
     * @param  ?Articulation  $articulation  printed or the teacher's; null for what follows from slurs and style
     * @param  bool  $own  whether the teacher asks for it
     */
    public function __construct(
        public Note $note,
        public float $share,
        public string $reason,
        public ?Articulation $articulation = null,
        public bool $own = false,
    ) {
    }

    /**
     * When the key is left, in quarters from the beginning.
     */
    public function left(): float
    {
        return $this->note->onset->toFloat() + $this->share * $this->note->duration->toFloat();
    }
}
