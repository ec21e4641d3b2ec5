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
 * What a passage does otherwise than the piece: repeated notes, high notes, strong beats.
 */
final readonly class MannerMark implements Mark
{
    public function __construct(
        public string $id,
        public Place $from,
        public Place $to,
        public Choices $choices,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('from'), $fields->place('to'), Choices::read($fields));
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
            'id' => $this->id, 'craft' => ShapeCraft::NAME, 'kind' => 'manner', 'from' => $this->from->toArray(), 'to' => $this->to->toArray(),
            ...$this->choices->toArray(),
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self($this->id, $from, $to, $this->choices);
    }

    public function inWords(): string
    {
        return 'how a passage is shaped';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
