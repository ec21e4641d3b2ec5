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
     * @param  float  $value  dB: of the first entry below velocity 127, of others what they add; negative for what they take away
     */
    public function __construct(
        public string $reason,
        public float $value,
        public EntryKind $kind = EntryKind::Usual,
    ) {
    }

    /**
     * A habit that makes what goes along lighter.
     *
     * @param  float  $by  dB, above 0
     */
    public static function lighter(string $reason, float $by): self
    {
        return new self($reason, -$by, EntryKind::Lightens);
    }

    /**
     * @return array{reason: string, value: float}
     */
    public function toArray(): array
    {
        return ['reason' => $this->reason, 'value' => round($this->value, 3)];
    }
}
