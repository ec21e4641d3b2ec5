<?php

declare(strict_types=1);

namespace Tarnwind\Core\Words;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
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

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->string('measure'), $fields->string('text'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Words];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => WordsCraft::NAME, 'kind' => 'note', 'measure' => $this->measure, 'text' => $this->text];
    }

    public function carried(Matching $matching): ?static
    {
        $measure = $matching->measure($this->measure);

        return $measure === null ? null : new self($this->id, $measure, $this->text);
    }

    public function inWords(): string
    {
        return 'a note for the student';
    }

    public function anchors(): Anchors
    {
        return Anchors::measure($this->measure);
    }
}
