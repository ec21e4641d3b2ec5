<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Score\Fraction;

/**
 * A place that is easily miscounted or misread.
 */
final readonly class Hazard
{
    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  list<string>  $notes  ids
     * @param  ?float  $value  what was measured: beats for a long note, notes a second for quick ones
     * @param  string  $reason  in a teacher's words
     */
    public function __construct(
        public HazardKind $kind,
        public Fraction $at,
        public int $measure,
        public array $notes,
        public ?float $value,
        public string $reason,
    ) {
    }

    public function saying(string $reason): self
    {
        return new self($this->kind, $this->at, $this->measure, $this->notes, $this->value, $reason);
    }

    /**
     * @return array<string, mixed> as schemas/count.schema.json has it
     */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'at' => (string) $this->at, 'measure' => $this->measure, 'notes' => $this->notes, 'value' => $this->value, 'reason' => $this->reason];
    }
}
