<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * A line of steps inside the texture that is worth hearing.
 */
final readonly class InnerLine
{
    /**
     * @param  list<string>  $notes  ids
     */
    public function __construct(
        public array $notes,
        public int $measure,
        public bool $chromatic,
        public bool $rising,
        public string $says,
    ) {
    }
}
