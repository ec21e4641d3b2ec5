<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * A volta bracket, for unfolding repeats.
 */
final readonly class Ending
{
    /**
     * @param  int  $to  index of its last bar
     * @param  list<int>  $numbers  the passes in which it is played
     * @param  int  $times  passes of the whole repeat
     * @param  bool  $last  whether it is the last of its group
     */
    public function __construct(
        public int $to,
        public array $numbers,
        public int $times,
        public bool $last,
    ) {
    }
}
