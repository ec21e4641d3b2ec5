<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Search;

/**
 * A stretch of the piece in one key.
 */
final readonly class KeyArea
{
    public function __construct(
        public Fraction $from,
        public Fraction $to,
        public Key $key,
    ) {
    }

    /**
     * The key at a place.
     *
     * @param  list<self>  $areas  by place, the first from the beginning
     */
    public static function keyAt(array $areas, Fraction $at): Key
    {
        return $areas[Search::last(count($areas), fn (int $index): bool => ! $at->isLessThan($areas[$index]->from))]->key;
    }
}
