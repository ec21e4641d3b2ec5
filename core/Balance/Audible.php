<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Score\Note;

/**
 * How well one note of a line is heard through its length. Margins are dB over all else that sounds.
 */
final readonly class Audible
{
    /**
     * @param  float  $seconds  its length
     * @param  float  $first  margin when it is struck
     * @param  float  $middle  margin when half of its length is over
     * @param  float  $least  the least margin up to its end
     * @param  ?float  $lost  quarters from the beginning at which it goes under for good; null if it does not
     * @param  list<Note>  $over  what is struck during it, apart from the melody
     */
    public function __construct(
        public Note $note,
        public float $seconds,
        public float $first,
        public float $middle,
        public float $least,
        public ?float $lost,
        public array $over,
    ) {
    }
}
