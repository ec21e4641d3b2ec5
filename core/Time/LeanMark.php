<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * Notes that are given more time than they have: an agogic accent, a first note that is held.
 */
final readonly class LeanMark implements Mark
{
    /**
     * @param  non-empty-list<string>  $notes  ids
     * @param  float  $longer  share of the note, or of a beat of a longer one
     */
    public function __construct(
        public string $id,
        public array $notes,
        public float $longer,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->strings('notes'), $fields->number('longer'));
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
        return ['id' => $this->id, 'craft' => TimeCraft::NAME, 'kind' => 'lean', 'notes' => $this->notes, 'longer' => $this->longer];
    }

    public function carried(Matching $matching): ?static
    {
        $notes = $matching->notes($this->notes);

        return $notes === [] ? null : new self($this->id, $notes, $this->longer);
    }

    public function inWords(): string
    {
        return 'an accent of time';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes(...$this->notes);
    }
}
