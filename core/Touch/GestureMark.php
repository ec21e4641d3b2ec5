<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
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

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('at'), $fields->string('text'));
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
        return ['id' => $this->id, 'craft' => TouchCraft::NAME, 'kind' => 'gesture', 'at' => $this->at->toArray(), 'text' => $this->text];
    }

    public function carried(Matching $matching): ?static
    {
        $at = $matching->place($this->at);

        return $at === null ? null : new self($this->id, $at, $this->text);
    }

    public function inWords(): string
    {
        return 'a gesture';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->at);
    }
}
