<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Span;

/**
 * A span with what was measured about it.
 */
final readonly class SpanReport
{
    /**
     * @param  string  $kind  "legato" where the pedal before ends as this one begins, else "direct"
     * @param  ?bool  $bassCaught  null where no bass is wanted
     * @param  float  $worst  blur at its worst moment
     * @param  ?float  $withoutChange  blur at its beginning if the pedal before had stayed down
     * @param  list<string>  $reasons  with numbers, in a teacher's words
     */
    public function __construct(
        public Span $span,
        public string $kind,
        public ChangeTiming $timing,
        public ?bool $bassCaught,
        public float $worst,
        public ?float $withoutChange,
        public array $reasons,
    ) {
    }

    /**
     * How deep the pedal is, or how it moves where it is not simply down.
     */
    private function depth(): int|string
    {
        return match (true) {
            ! $this->span->depth->isFull() => $this->span->depth->value(),
            $this->span->flutter => 'flutter',
            $this->span->lowered !== null || $this->span->lifting !== null => 'gradual',
            default => 'full',
        };
    }

    /**
     * @return array<string, mixed> as the JSON Schema has it
     */
    public function toArray(): array
    {
        return [
            'mark' => $this->span->mark, 'down' => (string) $this->span->down, 'up' => (string) $this->span->up, 'kind' => $this->kind, 'depth' => $this->depth(),
            'catch_window_ms' => $this->timing->window, 'timing' => $this->timing->toArray(), 'bass_caught' => $this->bassCaught, 'worst_blur' => $this->worst,
            'blur_without_change' => $this->withoutChange, 'reasons' => $this->reasons,
        ];
    }
}
