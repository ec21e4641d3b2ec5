<?php

declare(strict_types=1);

namespace Tarnwind\Core\Findings;

use BackedEnum;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;

/**
 * Something that a teacher should hear before the student does.
 */
final readonly class Finding
{
    /**
     * @param  BackedEnum  $kind  one of the kinds of its craft
     * @param  Fraction  $at  quarters from the beginning
     * @param  int  $measure  index of the bar
     * @param  list<string>  $notes  ids of the notes concerned
     * @param  float  $value  what was measured
     * @param  float  $limit  what it is measured against
     * @param  string  $reason  in a teacher's words
     */
    public function __construct(
        public BackedEnum $kind,
        public Severity $severity,
        public Fraction $at,
        public int $measure,
        public array $notes,
        public float $value,
        public float $limit,
        public Unit $unit,
        public string $reason,
        public ?Remedy $remedy = null,
    ) {
    }

    /**
     * One about notes, at the place of the first of them.
     *
     * @param  non-empty-list<Note>  $notes
     */
    public static function about(array $notes, BackedEnum $kind, Severity $severity, float $value, float $limit, Unit $unit, string $reason, ?Remedy $remedy = null): self
    {
        return new self($kind, $severity, $notes[0]->onset, $notes[0]->measure, array_map(fn (Note $note): string => $note->id, $notes), $value, $limit, $unit, $reason, $remedy);
    }

    /**
     * The same with other words.
     */
    public function saying(string $reason): self
    {
        return new self($this->kind, $this->severity, $this->at, $this->measure, $this->notes, $this->value, $this->limit, $this->unit, $reason, $this->remedy);
    }

    /**
     * @param  list<self>  $findings
     * @return list<self>
     */
    public static function inOrder(array $findings): array
    {
        usort($findings, fn (self $a, self $b): int => $a->at->compareTo($b->at));

        return $findings;
    }

    /**
     * @return array<string, mixed> as the JSON Schema of its craft has it
     */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value, 'severity' => $this->severity->value, 'at' => (string) $this->at, 'measure' => $this->measure,
            'notes' => $this->notes, 'value' => round($this->value, 3), 'limit' => round($this->limit, 3), 'unit' => $this->unit->value,
            'reason' => $this->reason, 'remedy' => $this->remedy?->toArray(),
        ];
    }
}
