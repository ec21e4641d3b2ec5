<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * One thing that a note's loudness is made of.
 */
final readonly class LedgerEntry
{
    /**
     * @param  string  $reason  in a teacher's words
     * @param  float  $value  MIDI velocities it adds; negative for what it takes away
     * @param  bool  $isFinal  whether the file gives the whole, and nothing of phrasing is to be added
     */
    public function __construct(
        public string $reason,
        public float $value,
        public bool $isFinal = false,
    ) {
    }

    /**
     * @return array{reason: string, value: float}
     */
    public function toArray(): array
    {
        return ['reason' => $this->reason, 'value' => $this->value];
    }
}
