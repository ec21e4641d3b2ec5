<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use Tarnwind\Core\Score\Place;

/**
 * The notes and bars a mark stands at.
 */
final readonly class Anchors
{
    /**
     * @param  list<string>  $notes  ids
     * @param  list<string>  $measures  ids of bars
     */
    public function __construct(
        public array $notes = [],
        public array $measures = [],
    ) {
    }

    public static function notes(string ...$ids): self
    {
        return new self(array_values($ids));
    }

    public static function places(Place ...$places): self
    {
        return new self([], array_values(array_map(fn (Place $place): string => $place->measure, $places)));
    }

    public static function measure(string $id): self
    {
        return new self([], [$id]);
    }

    public function and(self $other): self
    {
        return new self([...$this->notes, ...$other->notes], [...$this->measures, ...$other->measures]);
    }
}
