<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * What a bar says about the order of playing.
 */
final readonly class MeasureFlow
{
    /**
     * @param  int  $repeatTimes  how often the passage that ends here is played; 0 without a closing repeat
     * @param  list<int>  $endingNumbers  of an ending that begins here
     */
    public function __construct(
        public bool $repeatStart = false,
        public int $repeatTimes = 0,
        public array $endingNumbers = [],
        public bool $endingStops = false,
        public bool $segno = false,
        public bool $coda = false,
        public bool $toCoda = false,
        public bool $fine = false,
        public bool $daCapo = false,
        public bool $dalSegno = false,
    ) {
    }
}
