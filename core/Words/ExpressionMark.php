<?php

declare(strict_types=1);

namespace Tarnwind\Core\Words;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Place;

/**
 * What the sound is to do at a place, or what a passage is like, in the teacher's words: "sing out", "still water".
 */
final readonly class ExpressionMark implements Mark
{
    /**
     * @param  ?Place  $to  the end of the passage; null for the place alone
     */
    public function __construct(
        public string $id,
        public Place $from,
        public ?Place $to,
        public string $text,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('from'), $fields->has('to') ? $fields->place('to') : null, $fields->string('text'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Words];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'craft' => WordsCraft::NAME, 'kind' => 'expression', 'from' => $this->from->toArray(),
            ...($this->to === null ? [] : ['to' => $this->to->toArray()]), 'text' => $this->text,
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);

        return $from === null ? null : new self($this->id, $from, $this->to === null ? null : $matching->end($this->to, $this->from), $this->text);
    }

    public function inWords(): string
    {
        return 'an expressive word';
    }

    public function anchors(): Anchors
    {
        return $this->to === null ? Anchors::places($this->from) : Anchors::places($this->from, $this->to);
    }
}
