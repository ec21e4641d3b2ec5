<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * A finger the teacher sets.
 */
final readonly class FingerMark implements Mark
{
    /**
     * @param  string  $note  id
     * @param  string  $finger  "3", or "5-1" for a silent change from 5 to 1
     * @param  bool  $kept  whether it was taken over from what was planned
     */
    public function __construct(
        public string $id,
        public string $note,
        public string $finger,
        public bool $kept = false,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->string('note'), $fields->string('finger'), $fields->has('kept') && $fields->boolean('kept'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Fingers];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => HandCraft::NAME, 'kind' => 'finger', 'note' => $this->note, 'finger' => $this->finger, ...($this->kept ? ['kept' => true] : [])];
    }

    public function carried(Matching $matching): ?static
    {
        $notes = $matching->notes([$this->note]);

        return $notes === [] ? null : new self($this->id, $notes[0], $this->finger, $this->kept);
    }

    public function inWords(): string
    {
        return 'a finger';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes($this->note);
    }
}
