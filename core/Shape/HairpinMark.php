<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Place;

/**
 * Growing or falling from one place to another, as the teacher has it.
 */
final readonly class HairpinMark implements Mark
{
    public function __construct(
        public string $id,
        public Place $from,
        public Place $to,
        public bool $grows,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('from'), $fields->place('to'), $fields->boolean('grows'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Levels];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'craft' => ShapeCraft::NAME, 'kind' => 'hairpin', 'from' => $this->from->toArray(), 'to' => $this->to->toArray(), 'grows' => $this->grows,
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self($this->id, $from, $to, $this->grows);
    }

    public function inWords(): string
    {
        return $this->grows ? 'a crescendo' : 'a diminuendo';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
