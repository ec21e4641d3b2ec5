<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use Tarnwind\Core\Pedal\Depth;

/**
 * A stretch with the pedal down, or one kept dry by intention.
 */
final readonly class PedalMark
{
    /**
     * @param  bool  $dry  no pedal here
     * @param  string  $words  the teacher's reason or hint
     */
    public function __construct(
        public string $id,
        public bool $dry,
        public Place $from,
        public Place $to,
        public Depth $depth,
        public Origin $origin,
        public string $words = '',
    ) {
    }

    /**
     * @return array<string, mixed> as the plan's JSON Schema has it
     */
    public function toArray(): array
    {
        return [
            'id' => $this->id, 'craft' => 'pedal', 'kind' => $this->dry ? 'dry' : 'span',
            'from' => $this->from->toArray(), 'to' => $this->to->toArray(),
            'depth' => $this->depth->value, 'origin' => $this->origin->value, 'words' => $this->words,
        ];
    }
}
