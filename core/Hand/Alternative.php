<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * Another finger for a note, with what follows from it.
 */
final readonly class Alternative
{
    /** Effort that nobody feels [start]. */
    private const AS_EASY = 0.25;

    /**
     * @param  float  $extra  effort beyond that of the planned fingering, around the note
     * @param  string  $gaps  what it tears apart that the planned fingering joins, in words; empty if nothing
     * @param  list<string>  $follows  fingers of the grip and of those after it, as "135" for a chord
     */
    public function __construct(
        public int $finger,
        public float $extra,
        public array $follows,
        public string $gaps = '',
    ) {
    }

    public function inWords(): string
    {
        $effort = match (true) {
            $this->extra < self::AS_EASY => 'as easy',
            $this->extra < 2 => 'a little harder',
            $this->extra < 6 => 'harder',
            default => 'much harder',
        };

        return $this->gaps === '' ? $effort : "$effort; $this->gaps";
    }
}
