<?php

declare(strict_types=1);

namespace Tarnwind\Core\Words;

use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * The teacher's words for the student at a bar.
 */
final readonly class BarNote implements Mark
{
    public function __construct(
        public string $id,
        public string $measure,
        public string $text,
    ) {
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => 'words', 'kind' => 'note', 'measure' => $this->measure, 'text' => $this->text];
    }

    public function carried(Matching $matching): ?self
    {
        $measure = $matching->measure($this->measure);

        return $measure === null ? null : new self($this->id, $measure, $this->text);
    }

    public function inWords(): string
    {
        return 'a note for the student';
    }

    public function measure(): string
    {
        return $this->measure;
    }
}
