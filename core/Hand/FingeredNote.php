<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Score\Note;

/**
 * A note with its finger.
 */
final readonly class FingeredNote
{
    /**
     * @param  int  $finger  that strikes it, 1 for the thumb
     * @param  int  $leaves  finger that leaves it, another one after a silent substitution
     */
    public function __construct(
        public Note $note,
        public int $finger,
        public int $leaves,
        public Source $source,
    ) {
    }

    /**
     * "3", or "5-1" for a substitution.
     */
    public function __toString(): string
    {
        return $this->finger === $this->leaves ? (string) $this->finger : "$this->finger-$this->leaves";
    }
}
