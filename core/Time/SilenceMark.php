<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Place;
use Tarnwind\Core\Tempo\When;

/**
 * A silence before a place: the clock of the music stands still for as long.
 */
final readonly class SilenceMark implements Mark
{
    /**
     * @param  Place  $at  what comes after it
     * @param  float  $ms  how long; 0 where a printed one is left out
     */
    public function __construct(
        public string $id,
        public Place $at,
        public float $ms,
        public When $when,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('at'), $fields->number('ms'), $fields->choice('when', When::class, When::Every));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Time, Aspect::Lengths];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => TimeCraft::NAME, 'kind' => 'silence', 'at' => $this->at->toArray(), 'ms' => $this->ms, 'when' => $this->when->value];
    }

    public function carried(Matching $matching): ?static
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at, $this->ms, $this->when);
    }

    public function inWords(): string
    {
        return 'a silence';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->at);
    }
}
