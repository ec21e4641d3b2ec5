<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * Bars the teacher wants practised as one chunk.
 */
final readonly class ChunkMark implements Mark
{
    /**
     * @param  string  $first  id of the first bar
     * @param  string  $last  id of the last bar
     */
    public function __construct(
        public string $id,
        public string $first,
        public string $last,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->string('first'), $fields->string('last'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Practice];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => PracticeCraft::NAME, 'kind' => 'chunk', 'first' => $this->first, 'last' => $this->last];
    }

    public function carried(Matching $matching): ?static
    {
        [$first, $last] = [$matching->measure($this->first), $matching->measure($this->last)];

        return $first === null || $last === null ? null : new self($this->id, $first, $last);
    }

    public function inWords(): string
    {
        return 'a chunk for practice';
    }

    public function anchors(): Anchors
    {
        return Anchors::measure($this->first)->and(Anchors::measure($this->last));
    }
}
