<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Score\Fraction;

/**
 * One spoken syllable of the count.
 */
final readonly class Syllable
{
    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  string  $text  "1", "&", "e", "a", …
     * @param  list<string>  $notes  ids of the notes struck on it, or between it and the next
     */
    public function __construct(
        public Fraction $at,
        public string $text,
        public array $notes,
    ) {
    }
}
