<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * A comma after a note: it is left early, and the line breathes before it goes on.
 */
final readonly class CommaMark implements Mark
{
    /**
     * @param  string  $note  id
     */
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
        return [Aspect::Lengths];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => TouchCraft::NAME, 'kind' => 'comma', 'note' => $this->note];
    }

    public function carried(Matching $matching): ?static
    {
        $note = $matching->notes([$this->note])[0] ?? null;

        return $note === null ? null : new self($this->id, $note);
    }

    public function inWords(): string
    {
        return 'a comma';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes($this->note);
    }
}
