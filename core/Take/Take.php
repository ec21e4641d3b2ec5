<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

/**
 * What was really played.
 */
final readonly class Take
{
    /**
     * @param  list<PlayedNote>  $notes  by onset, then from low to high
     * @param  list<FootMove>  $foot  by time
     */
    public function __construct(
        public array $notes,
        public array $foot = [],
    ) {
    }

    /**
     * What the instrument tells of its pedal: nothing, only up and down, or how deep it is.
     */
    public function pedal(): Telling
    {
        $values = array_unique(array_map(fn (FootMove $move): int => $move->value, array_filter($this->foot, fn (FootMove $move): bool => $move->controller === 64)));

        return match (true) {
            $values === [] => Telling::Nothing,
            array_diff($values, [0, 127]) === [] => Telling::OnAndOff,
            default => Telling::Depth,
        };
    }

    /**
     * Whether the instrument tells how loud a key is struck.
     */
    public function hasVelocity(): bool
    {
        return count(array_unique(array_map(fn (PlayedNote $note): int => $note->velocity, $this->notes))) > 1;
    }
}
