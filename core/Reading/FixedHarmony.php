<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;

/**
 * A harmony named by the teacher, which the reader keeps as it is.
 */
final readonly class FixedHarmony
{
    /**
     * @param  int  $root  on the line of fifths
     * @param  ?int  $bass  on the line of fifths; null for the bass that is read
     */
    public function __construct(
        public Fraction $from,
        public Fraction $to,
        public int $root,
        public Quality $quality,
        public ?int $bass,
    ) {
    }
}
