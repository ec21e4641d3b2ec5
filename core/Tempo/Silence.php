<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;

/**
 * A silence that is put in before a place: the clock of the music stands still.
 */
final readonly class Silence
{
    /**
     * @param  Fraction  $at  quarters from the beginning: what comes after it
     * @param  string  $reason  in a teacher's words
     * @param  bool  $isAsked  whether print or teacher ask for it, or a school has it by itself
     * @param  ?string  $mark  id of the teacher's mark
     */
    public function __construct(
        public Fraction $at,
        public float $seconds,
        public string $reason,
        public When $when = When::Every,
        public bool $isAsked = true,
        public ?string $mark = null,
    ) {
    }
}
