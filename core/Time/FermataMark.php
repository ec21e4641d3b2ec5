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
 * How long what stands at a place is held, printed fermata or not.
 */
final readonly class FermataMark implements Mark
{
    /**
     * @param  Place  $at  of a note or a rest
     * @param  ?float  $seconds  how long; null for as the sound fades, 0 for not at all
     * @param  When  $when  in which of several times
     */
    public function __construct(
        public string $id,
        public Place $at,
        public ?float $seconds,
        public When $when,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('at'), $fields->has('seconds') ? $fields->number('seconds') : null, $fields->choice('when', When::class, When::Every));
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
        return ['id' => $this->id, 'craft' => TimeCraft::NAME, 'kind' => 'fermata', 'at' => $this->at->toArray(), 'seconds' => $this->seconds, 'when' => $this->when->value];
    }

    public function carried(Matching $matching): ?static
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at, $this->seconds, $this->when);
    }

    public function inWords(): string
    {
        return 'a fermata';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->at);
    }
}
