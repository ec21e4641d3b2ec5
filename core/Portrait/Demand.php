<?php

declare(strict_types=1);

namespace Tarnwind\Core\Portrait;

/**
 * What a bar asks of the hands.
 */
final readonly class Demand
{
    /**
     * @param  float  $value  0 upwards; bars of one piece are compared by it, pieces are not
     * @param  list<string>  $reasons  in a teacher's words, the weightiest first
     */
    public function __construct(
        public int $measure,
        public float $value,
        public array $reasons,
    ) {
    }
}
