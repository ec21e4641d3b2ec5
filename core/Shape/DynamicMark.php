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
 * A dynamic the teacher puts at a place: it holds, like a printed one, to the next.
 */
final readonly class DynamicMark implements Mark
{
    /**
     * @param  string  $dynamic  its letters, "ppp" to "fff"
     */
    public function __construct(
        public string $id,
        public Place $at,
        public string $dynamic,
        public Staves $staves = Staves::Both,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('at'), $fields->string('dynamic'), $fields->choice('staves', Staves::class, Staves::Both));
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
            'id' => $this->id, 'craft' => ShapeCraft::NAME, 'kind' => 'dynamic', 'at' => $this->at->toArray(), 'dynamic' => $this->dynamic,
            ...($this->staves === Staves::Both ? [] : ['staves' => $this->staves->value]),
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at, $this->dynamic, $this->staves);
    }

    public function inWords(): string
    {
        return 'a dynamic';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->at);
    }
}
