<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Practice\Step;

/**
 * One thing to do next, in words to the student.
 */
final readonly class Advice
{
    /**
     * @param  non-empty-list<int>  $bars  indexes of the bars in which it was heard
     * @param  string  $heard  what
     * @param  string  $try  what to try
     * @param  ?Step  $step  of the practice plan that trains it; null where there is none
     * @param  Measure  $worst  where it was heard most
     */
    public function __construct(
        public MeasureKind $kind,
        public array $bars,
        public string $heard,
        public string $try,
        public ?Step $step,
        public Measure $worst,
    ) {
    }

    /**
     * @return array<string, mixed>
     */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value, 'subject' => $this->kind->subject()->value, 'bar' => $this->worst->bar, 'at' => (string) $this->worst->at, 'bars' => $this->bars,
            'heard' => $this->heard, 'try' => $this->try, 'step' => $this->step?->id, 'does' => $this->step?->kind->label(),
        ];
    }
}
