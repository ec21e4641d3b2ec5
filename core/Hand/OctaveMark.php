<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * Notes played an octave or more from where they are written, since the instrument has no such keys.
 */
final readonly class OctaveMark implements Mark
{
    /**
     * @param  non-empty-list<string>  $notes  ids
     * @param  int  $octaves  upwards; negative for downwards
     */
    public function __construct(
        public string $id,
        public array $notes,
        public int $octaves,
    ) {
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => 'hand', 'kind' => 'octave', 'notes' => $this->notes, 'octaves' => $this->octaves];
    }

    public function carried(Matching $matching): ?self
    {
        $notes = $matching->notes($this->notes);

        return $notes === [] ? null : new self($this->id, $notes, $this->octaves);
    }

    public function inWords(): string
    {
        return 'notes played in another octave';
    }

    public function measure(): null
    {
        return null;
    }
}
