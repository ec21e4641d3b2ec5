<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

/**
 * The teacher's words for the student at a bar.
 */
final readonly class BarNote
{
    public function __construct(
        public string $id,
        public string $measure,
        public string $text,
    ) {
    }

    /**
     * @return array<string, string> as the plan's JSON Schema has it
     */
    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => 'words', 'kind' => 'note', 'measure' => $this->measure, 'text' => $this->text];
    }
}
