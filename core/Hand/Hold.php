<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * A key that a finger keeps down while others of its hand strike.
 */
final readonly class Hold
{
    private function __construct(
        public Note $note,
        public int $finger,
        public Fraction $until,
    ) {
    }

    /**
     * @return list<self> by place
     */
    public static function of(Fingering $fingering, Hand $hand): array
    {
        $holds = [];
        foreach ($fingering->grips[$hand->value] as $place => $grip) {
            foreach ($grip->notes as $index => $note) {
                if ($grip->held[$index]) {
                    $released = $fingering->released[$note->id] ?? null;
                    $until = $released === null ? $note->end() : ($fingering->grips[$hand->value][$released]->struck()[0] ?? $note)->onset;
                    $holds[$note->id] = new self($note, $fingering->taken[$hand->value][$place][$index], $until);
                }
            }
        }

        return array_values($holds);
    }

    public function inWords(Score $score): string
    {
        return "Keep {$this->note->inWords()} with $this->finger until ".$score->placeInWords($this->until, $this->note->onset).'.';
    }
}
