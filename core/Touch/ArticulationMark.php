<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * How the teacher wants notes left.
 */
final readonly class ArticulationMark implements Mark
{
    /**
     * @param  non-empty-list<string>  $notes  ids
     */
    public function __construct(
        public string $id,
        public array $notes,
        public Articulation $articulation,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->strings('notes'), $fields->choice('articulation', Articulation::class));
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
        return ['id' => $this->id, 'craft' => TouchCraft::NAME, 'kind' => 'articulation', 'notes' => $this->notes, 'articulation' => $this->articulation->value];
    }

    public function carried(Matching $matching): ?static
    {
        $notes = $matching->notes($this->notes);

        return $notes === [] ? null : new self($this->id, $notes, $this->articulation);
    }

    public function inWords(): string
    {
        return 'an articulation';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes(...$this->notes);
    }
}
