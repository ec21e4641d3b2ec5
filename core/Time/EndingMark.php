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
 * How much time the end of a phrase takes, in place of what the school has.
 */
final readonly class EndingMark implements Mark
{
    /**
     * @param  Place  $at  where the next phrase begins
     * @param  float  $longer  share of the last beat; 0 for none
     */
    public function __construct(
        public string $id,
        public Place $at,
        public float $longer,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('at'), $fields->number('longer'));
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
        return ['id' => $this->id, 'craft' => TimeCraft::NAME, 'kind' => 'ending', 'at' => $this->at->toArray(), 'longer' => $this->longer];
    }

    public function carried(Matching $matching): ?static
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at, $this->longer);
    }

    public function inWords(): string
    {
        return 'the end of a phrase';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->at);
    }
}
