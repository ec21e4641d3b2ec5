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
 * A slowing or quickening from one place to another, as the teacher has it.
 */
final readonly class PaceMark implements Mark
{
    /**
     * @param  float  $end  tempo at its end, share of the tempo before
     * @param  float  $shape  how late it comes: the exponent of the published curve, about 3
     * @param  bool  $stays  whether the tempo that was reached stays
     */
    public function __construct(
        public string $id,
        public Place $from,
        public Place $to,
        public float $end,
        public float $shape,
        public bool $stays,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('from'), $fields->place('to'), $fields->number('end'), $fields->number('shape'), $fields->boolean('stays'));
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
        return ['id' => $this->id, 'craft' => TimeCraft::NAME, 'kind' => 'pace', 'from' => $this->from->toArray(), 'to' => $this->to->toArray(), 'end' => $this->end, 'shape' => $this->shape, 'stays' => $this->stays];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self($this->id, $from, $to, $this->end, $this->shape, $this->stays);
    }

    public function inWords(): string
    {
        return 'a slowing or quickening';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
