<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Place;

/**
 * Another pedalling of a passage, kept beside the one that is planned, with its reason.
 */
final readonly class KeptMark implements Mark
{
    /**
     * @param  list<PedalMark>  $pedals  of the passage; none for a dry one
     * @param  string  $words  why it may be good
     */
    public function __construct(
        public string $id,
        public Place $from,
        public Place $to,
        public array $pedals,
        public string $words = '',
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('from'), $fields->place('to'), array_map(PedalMark::read(...), $fields->objects('pedals')), $fields->string('words'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Suggestions];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'craft' => PedalCraft::NAME, 'kind' => 'kept', 'from' => $this->from->toArray(), 'to' => $this->to->toArray(),
            'pedals' => array_map(fn (PedalMark $mark): array => $mark->toArray(), $this->pedals), 'words' => $this->words,
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self(
            $this->id, $from, $to, array_values(array_filter(array_map(fn (PedalMark $mark): ?PedalMark => $mark->carried($matching), $this->pedals))), $this->words,
        );
    }

    public function inWords(): string
    {
        return 'a pedalling that is kept';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
