<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

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

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => 'touch', 'kind' => 'hold', 'note' => $this->note, 'until' => $this->until->toArray()];
    }

    public function carried(Matching $matching): ?self
    {
        $note = $matching->notes([$this->note])[0] ?? null;
        $until = $matching->place($this->until);

        return $note === null || $until === null ? null : new self($this->id, $note, $until);
    }

    public function inWords(): string
    {
        return 'a key held on';
    }

    public function measure(): string
    {
        return $this->until->measure;
    }
}
