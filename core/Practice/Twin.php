<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Score\Bars;

/**
 * Earlier bars that a chunk is like.
 */
final readonly class Twin
{
    /**
     * @param  list<array{measure: int, text: string}>  $differences  none where they are the same
     */
    public function __construct(
        public Bars $bars,
        public array $differences,
    ) {
    }

    public function isExact(): bool
    {
        return $this->differences === [];
    }
}
