<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * A slur the teacher draws, or a printed one she takes away; moving one is both.
 */
final readonly class SlurMark implements Mark
{
    /**
     * @param  string  $from  id of the first note
     * @param  string  $to  id of the last note
     * @param  bool  $drawn  false for a printed slur taken away
     */
    public function __construct(
        public string $id,
        public string $from,
        public string $to,
        public bool $drawn,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->string('from'), $fields->string('to'), $fields->boolean('drawn'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Notes, Aspect::Lengths, Aspect::Levels];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => TouchCraft::NAME, 'kind' => 'slur', 'from' => $this->from, 'to' => $this->to, 'drawn' => $this->drawn];
    }

    public function carried(Matching $matching): ?static
    {
        $ends = $matching->notes([$this->from, $this->to]);

        return count($ends) < 2 ? null : new self($this->id, $ends[0], $ends[1], $this->drawn);
    }

    public function inWords(): string
    {
        return $this->drawn ? 'a slur' : 'a slur taken away';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes($this->from, $this->to);
    }
}
