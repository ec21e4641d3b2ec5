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
 * A passage that is not counted: slow in, free in the middle, slow out.
 */
final readonly class FreeMark implements Mark
{
    /**
     * @param  Place  $to  where the beat goes on
     */
    public function __construct(
        public string $id,
        public Place $from,
        public Place $to,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('from'), $fields->place('to'));
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
        return ['id' => $this->id, 'craft' => TimeCraft::NAME, 'kind' => 'free', 'from' => $this->from->toArray(), 'to' => $this->to->toArray()];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self($this->id, $from, $to);
    }

    public function inWords(): string
    {
        return 'a free passage';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
