<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Place;

/**
 * Whether a phrase begins at a place, whatever is read.
 */
final readonly class BoundaryMark implements Mark
{
    public function __construct(
        public string $id,
        public Place $at,
        public bool $begins,
    ) {
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => 'reading', 'kind' => 'boundary', 'at' => $this->at->toArray(), 'begins' => $this->begins];
    }

    public function carried(Matching $matching): ?self
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at, $this->begins);
    }

    public function inWords(): string
    {
        return 'a phrase boundary';
    }

    public function measure(): string
    {
        return $this->at->measure;
    }
}
