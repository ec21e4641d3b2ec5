<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * The note that its phrase grows to, as the teacher has it.
 */
final readonly class GoalMark implements Mark
{
    public function __construct(
        public string $id,
        public string $note,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->string('note'));
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
        return ['id' => $this->id, 'craft' => ShapeCraft::NAME, 'kind' => 'goal', 'note' => $this->note];
    }

    public function carried(Matching $matching): ?static
    {
        $note = $matching->notes([$this->note])[0] ?? null;

        return $note === null ? null : new self($this->id, $note);
    }

    public function inWords(): string
    {
        return 'the goal of a phrase';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes($this->note);
    }
}
