<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Place;

/**
 * A key a finger holds on past its written length, so that the foot may change: finger pedal.
 */
final readonly class HoldMark implements Mark
{
    /**
     * @param  string  $note  id
     */
    public function __construct(
        public string $id,
        public string $note,
        public Place $until,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->string('note'), $fields->place('until'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Notes, Aspect::Lengths];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => TouchCraft::NAME, 'kind' => 'hold', 'note' => $this->note, 'until' => $this->until->toArray()];
    }

    public function carried(Matching $matching): ?static
    {
        $note = $matching->notes([$this->note])[0] ?? null;
        $until = $matching->place($this->until);

        return $note === null || $until === null ? null : new self($this->id, $note, $until);
    }

    public function inWords(): string
    {
        return 'a key held on';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes($this->note)->and(Anchors::places($this->until));
    }
}
