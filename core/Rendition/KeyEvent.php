<?php

declare(strict_types=1);

namespace Tarnwind\Core\Rendition;

use Tarnwind\Core\Performance\LedgerEntry;

/**
 * A key struck and left.
 */
final readonly class KeyEvent
{
    /**
     * @param  string  $note  id in the score
     * @param  float  $from  played quarters
     * @param  float  $to  played quarters
     * @param  float  $startMs  milliseconds from the beginning
     * @param  float  $endMs  milliseconds from the beginning
     * @param  int  $velocity  MIDI, 1 to 127
     * @param  int  $staff  from 1, the upper one
     * @param  list<LedgerEntry>  $ledger  what its level is made of, dB
     */
    public function __construct(
        public string $note,
        public int $midi,
        public float $from,
        public float $to,
        public float $startMs,
        public float $endMs,
        public int $velocity,
        public int $staff,
        public array $ledger,
    ) {
    }
}
