<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Score\Note;

/**
 * A note that a phrase may grow to.
 */
final readonly class Goal
{
    /**
     * @param  float  $weight  the more, the likelier
     * @param  list<string>  $reasons  in a teacher's words, the weightiest first
     */
    public function __construct(
        public Note $note,
        public float $weight,
        public array $reasons,
    ) {
    }
}
