<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Score\Fraction;

/**
 * Something about a pedalling that a teacher should hear before the student does.
 */
final readonly class Finding
{
    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  list<string>  $notes  ids of the notes concerned
     * @param  float  $value  what was measured
     * @param  float  $limit  what it is measured against
     * @param  string  $unit  "blur", "ms", "s", "notes"
     * @param  string  $reason  in a teacher's words
     */
    public function __construct(
        public FindingKind $kind,
        public Severity $severity,
        public Fraction $at,
        public int $measure,
        public array $notes,
        public float $value,
        public float $limit,
        public string $unit,
        public string $reason,
        public ?Remedy $remedy = null,
    ) {
    }

    /**
     * @return array<string, mixed> as the JSON Schema has it
     */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value, 'severity' => $this->severity->value, 'at' => (string) $this->at, 'measure' => $this->measure,
            'notes' => $this->notes, 'value' => $this->value, 'limit' => $this->limit, 'unit' => $this->unit, 'reason' => $this->reason,
            'remedy' => $this->remedy === null ? null : ['action' => $this->remedy->action, 'at' => (string) $this->remedy->at, 'label' => $this->remedy->label],
        ];
    }
}
