<?php

declare(strict_types=1);

namespace Tarnwind\Core\Portrait;

/**
 * One thing said about a piece.
 */
final readonly class Line
{
    /**
     * @param  ?int  $measure  index of the bar it is said about; null for the whole piece
     */
    public function __construct(
        public string $text,
        public ?int $measure = null,
    ) {
    }
}
