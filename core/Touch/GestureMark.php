<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Place;

/**
 * How hand and arm move, in the teacher's words: "wrist rises".
 */
final readonly class GestureMark implements Mark
{
    public function __construct(
        public string $id,
        public Place $at,
        public string $text,
    ) {
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => 'touch', 'kind' => 'gesture', 'at' => $this->at->toArray(), 'text' => $this->text];
    }

    public function carried(Matching $matching): ?self
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at, $this->text);
    }

    public function inWords(): string
    {
        return 'a gesture';
    }

    public function measure(): string
    {
        return $this->at->measure;
    }
}
