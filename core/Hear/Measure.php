<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Score\Fraction;

/**
 * One thing that was measured in a take, beside what was planned.
 */
final readonly class Measure
{
    /**
     * @param  int  $bar  its index
     * @param  Fraction  $at  quarters from the beginning
     * @param  list<string>  $notes  ids
     * @param  float  $value  what was heard, in the unit of the kind
     * @param  float  $planned  what is planned
     * @param  float  $limit  how far apart they may be
     * @param  float  $off  how far apart they are, in the bad direction
     * @param  string  $detail  which of several faults of the kind it is
     */
    public function __construct(
        public MeasureKind $kind,
        public int $bar,
        public Fraction $at,
        public array $notes,
        public float $value,
        public float $planned,
        public float $limit,
        public float $off,
        public string $detail = '',
    ) {
    }

    /**
     * Of attacks that are to be as exact as can be, as one.
     *
     * @param  non-empty-list<Attack>  $attacks
     */
    public static function ofAttacks(MeasureKind $kind, array $attacks, float $value, float $limit, float $off): self
    {
        $notes = array_merge(...array_map(fn (Attack $attack): array => $attack->notes(), $attacks));

        return new self($kind, $attacks[0]->bar, $attacks[0]->at, array_values(array_unique($notes)), $value, 0.0, $limit, $off);
    }

    public function isFault(): bool
    {
        return $this->off > $this->limit;
    }

    /**
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value, 'bar' => $this->bar, 'at' => (string) $this->at, 'value' => round($this->value, 3), 'planned' => round($this->planned, 3),
            'limit' => round($this->limit, 3), 'unit' => $this->kind->unit()->value, 'fault' => $this->isFault(), 'notes' => $this->notes,
        ];
    }
}
