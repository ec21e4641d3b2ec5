<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * A figure that goes on: always the same, or moved at each statement.
 */
final readonly class Pattern
{
    /**
     * @param  int  $from  index of the first bar
     * @param  int  $length  bars
     * @param  int  $unit  bars of one statement
     * @param  int  $steps  scale steps from one statement of a sequence to the next
     */
    public function __construct(
        public PatternKind $kind,
        public int $from,
        public int $length,
        public int $unit,
        public ?Hand $hand,
        public int $steps = 0,
    ) {
    }
}
