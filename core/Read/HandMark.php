<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Reading\Hand;

/**
 * Notes the teacher gives to a hand.
 */
final readonly class HandMark implements Mark
{
    /**
     * @param  non-empty-list<string>  $notes  ids
     */
    public function __construct(
        public string $id,
        public array $notes,
        public Hand $hand,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->strings('notes'), $fields->choice('hand', Hand::class));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Hands];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => ReadCraft::NAME, 'kind' => 'hand', 'notes' => $this->notes, 'hand' => $this->hand->value];
    }

    public function carried(Matching $matching): ?static
    {
        $notes = $matching->notes($this->notes);

        return $notes === [] ? null : new self($this->id, $notes, $this->hand);
    }

    public function inWords(): string
    {
        return 'notes given to a hand';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes(...$this->notes);
    }
}
