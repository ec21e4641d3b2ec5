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
 * How far a phrase grows and falls, and how loud it is as a whole, as the teacher has it. dB.
 */
final readonly class ArchMark implements Mark
{
    /**
     * @param  Place  $at  where its phrase begins
     * @param  float  $rise  to its goal
     * @param  float  $fall  from its goal
     * @param  float  $level  louder or softer as a whole
     */
    public function __construct(
        public string $id,
        public Place $at,
        public float $rise,
        public float $fall,
        public float $level,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('at'), $fields->number('rise'), $fields->number('fall'), $fields->number('level'));
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
            'id' => $this->id, 'craft' => ShapeCraft::NAME, 'kind' => 'arch', 'at' => $this->at->toArray(),
            'rise' => $this->rise, 'fall' => $this->fall, 'level' => $this->level,
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at, $this->rise, $this->fall, $this->level);
    }

    public function inWords(): string
    {
        return 'the arch of a phrase';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->at);
    }
}
