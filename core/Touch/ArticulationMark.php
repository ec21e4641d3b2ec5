<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\Articulation;
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

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => 'touch', 'kind' => 'articulation', 'notes' => $this->notes, 'articulation' => $this->articulation->value];
    }

    public function carried(Matching $matching): ?self
    {
        $notes = $matching->notes($this->notes);

        return $notes === [] ? null : new self($this->id, $notes, $this->articulation);
    }

    public function inWords(): string
    {
        return 'an articulation';
    }

    public function measure(): null
    {
        return null;
    }
}
