<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * Something printed in the score at a moment: a dynamic, a hairpin, a pedal mark, words, a tempo.
 */
final readonly class Sign
{
    /**
     * @param  string  $kind  "dynamics", "wedge", "pedal", "words", "tempo", "rehearsal", "modulation", "dashes",
     *                         "fermata", "octave-shift", "segno", "coda"
     * @param  Fraction  $onset  quarters from the beginning
     * @param  string|float  $value  the dynamic's letters, the wedge's or pedal's type, the words, quarters a minute,
     *                                how much faster the quarter goes after a modulation, type and number of dashes
     * @param  ?int  $staff  null where the mark belongs to the whole part
     * @param  bool  $own  whether the teacher put it there
     */
    public function __construct(
        public string $kind,
        public Fraction $onset,
        public string|float $value,
        public int $measure,
        public ?int $staff,
        public bool $own = false,
    ) {
    }
}
