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

    /**
     * @param  list<string>  $numbers  of bars, by index
     */
    public function inWords(array $numbers): string
    {
        $hand = $this->hand === null ? '' : " in the {$this->hand->value} hand";
        $bars = InWords::bars($numbers, $this->from, $this->length);
        $unit = $this->unit === 1 ? 'each bar' : "every $this->unit bars";

        return match ($this->kind) {
            PatternKind::Ostinato => "$bars: the same bar $this->length times$hand",
            PatternKind::Sequence => "$bars: a sequence$hand, $unit ".InWords::interval($this->steps),
        };
    }
}
