<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

/**
 * Which played note is which of those that were to be played.
 */
final readonly class Alignment
{
    /**
     * @param  array<int, int>  $matched  place among what was to be played, by place among the notes of the take; of what was played again the last time
     * @param  array<int, int>  $wrong  the same, for keys struck in the place of others
     * @param  list<int>  $extra  notes of the take that stand for nothing
     * @param  list<int>  $again  notes of the take that were played once more later
     * @param  list<int>  $missing  of what was to be played
     */
    public function __construct(
        public array $matched,
        public array $wrong,
        public array $extra,
        public array $again,
        public array $missing,
    ) {
    }
}
