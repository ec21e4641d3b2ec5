<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * Notes the teacher wants louder or softer than all else makes them.
 */
final readonly class NudgeMark implements Mark
{
    /**
     * @param  non-empty-list<string>  $notes  ids
     * @param  float  $change  dB
     */
    public function __construct(
        public string $id,
        public array $notes,
        public float $change,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->strings('notes'), $fields->number('change'));
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
        return ['id' => $this->id, 'craft' => ShapeCraft::NAME, 'kind' => 'nudge', 'notes' => $this->notes, 'change' => $this->change];
    }

    public function carried(Matching $matching): ?static
    {
        $notes = $matching->notes($this->notes);

        return $notes === [] ? null : new self($this->id, $notes, $this->change);
    }

    public function inWords(): string
    {
        return $this->change > 0 ? 'notes brought out' : 'notes held back';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes(...$this->notes);
    }
}
