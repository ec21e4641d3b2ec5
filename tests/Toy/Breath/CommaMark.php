<?php

declare(strict_types=1);

namespace Tests\Toy\Breath;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Place;

/**
 * A breath is taken before a place.
 */
final readonly class CommaMark implements Mark
{
    public function __construct(
        public string $id,
        public Place $at,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('at'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Words];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => BreathCraft::NAME, 'kind' => 'comma', 'at' => $this->at->toArray()];
    }

    public function carried(Matching $matching): ?static
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at);
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->at);
    }

    public function inWords(): string
    {
        return 'a breath';
    }
}
