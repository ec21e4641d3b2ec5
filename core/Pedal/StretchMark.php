<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Place;

/**
 * A stretch with the left or the middle pedal down, or one where a wash is wanted.
 */
final readonly class StretchMark implements Mark
{
    /**
     * @param  string  $words  the teacher's reason or hint
     */
    public function __construct(
        public string $id,
        public StretchKind $kind,
        public Place $from,
        public Place $to,
        public Origin $origin = Origin::Teacher,
        public string $words = '',
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self(
            $fields->string('id'), $fields->choice('kind', StretchKind::class), $fields->place('from'), $fields->place('to'),
            $fields->choice('origin', Origin::class), $fields->string('words'),
        );
    }

    public static function bearsOn(): array
    {
        return [Aspect::Foot];
    }

    /**
     * @param  array<string, Measure>  $measures  by id
     * @return ?Stretch null where the score has no place for it
     */
    public function stretch(array $measures): ?Stretch
    {
        return Stretch::between($this->from, $this->to, $measures, $this->id);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'craft' => PedalCraft::NAME, 'kind' => $this->kind->value, 'from' => $this->from->toArray(), 'to' => $this->to->toArray(),
            'origin' => $this->origin->value, 'words' => $this->words,
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self($this->id, $this->kind, $from, $to, $this->origin, $this->words);
    }

    public function inWords(): string
    {
        return $this->kind->inWords();
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
