<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
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

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('at'), $fields->boolean('begins'));
    }

    public static function bearsOn(): array
    {
        // Where phrases end, time is taken; how much depends on their cadence, and melody notes are leaned on.
        return [Aspect::Phrases, Aspect::Time];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => ReadCraft::NAME, 'kind' => 'boundary', 'at' => $this->at->toArray(), 'begins' => $this->begins];
    }

    public function carried(Matching $matching): ?static
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at, $this->begins);
    }

    public function inWords(): string
    {
        return 'a phrase boundary';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->at);
    }
}
