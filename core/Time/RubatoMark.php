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
 * Time that is taken and given from beat to beat of a passage.
 */
final readonly class RubatoMark implements Mark
{
    /**
     * @param  list<?float>  $beats  how long each beat or part of one is, times its strict length; null for one that is left as it is, or that gives
     *                               back what the others took
     * @param  int  $parts  of a beat that each stands for one
     * @param  bool  $back  whether the passage gives back by its end what it took
     */
    public function __construct(
        public string $id,
        public Place $from,
        public Place $to,
        public array $beats,
        public int $parts,
        public bool $back,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('from'), $fields->place('to'), $fields->optionalNumbers('beats'), $fields->integer('parts'), $fields->boolean('back'));
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
        return ['id' => $this->id, 'craft' => TimeCraft::NAME, 'kind' => 'rubato', 'from' => $this->from->toArray(), 'to' => $this->to->toArray(), 'beats' => $this->beats, 'parts' => $this->parts, 'back' => $this->back];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self($this->id, $from, $to, $this->beats, $this->parts, $this->back);
    }

    public function inWords(): string
    {
        return 'rubato';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
