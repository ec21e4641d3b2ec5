<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Reading\Quality;
use Tarnwind\Core\Score\Place;

/**
 * A chord the teacher hears, whatever is read.
 */
final readonly class HarmonyMark implements Mark
{
    /**
     * @param  string  $root  as "Bb"
     * @param  ?string  $bass  null for the bass that is read
     */
    public function __construct(
        public string $id,
        public Place $from,
        public Place $to,
        public string $root,
        public Quality $quality,
        public ?string $bass,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self(
            $fields->string('id'), $fields->place('from'), $fields->place('to'), $fields->string('root'), $fields->choice('quality', Quality::class), $fields->optionalString('bass'),
        );
    }

    public static function bearsOn(): array
    {
        return [Aspect::Harmony, Aspect::Time];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'craft' => ReadCraft::NAME, 'kind' => 'harmony', 'from' => $this->from->toArray(), 'to' => $this->to->toArray(),
            'root' => $this->root, 'quality' => $this->quality->value, 'bass' => $this->bass,
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self($this->id, $from, $to, $this->root, $this->quality, $this->bass);
    }

    public function inWords(): string
    {
        return 'a chord name';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
