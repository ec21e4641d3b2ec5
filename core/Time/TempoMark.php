<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Place;

/**
 * Another tempo from a place on, as a ratio of the tempo before.
 */
final readonly class TempoMark implements Mark
{
    /**
     * @param  float  $ratio  of the tempo that was in force before
     */
    public function __construct(
        public string $id,
        public Place $at,
        public float $ratio,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('at'), $fields->number('ratio'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Time];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => TimeCraft::NAME, 'kind' => 'tempo', 'at' => $this->at->toArray(), 'ratio' => $this->ratio];
    }

    public function carried(Matching $matching): ?static
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at, $this->ratio);
    }

    public function inWords(): string
    {
        return 'a tempo';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->at);
    }
}
