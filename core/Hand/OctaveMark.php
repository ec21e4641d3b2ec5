<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;

/**
 * Notes played an octave or more from where they are written, since the instrument has no such keys.
 */
final readonly class OctaveMark implements Mark
{
    /**
     * @param  non-empty-list<string>  $notes  ids
     * @param  int  $octaves  upwards; negative for downwards
     */
    public function __construct(
        public string $id,
        public array $notes,
        public int $octaves,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->strings('notes'), $fields->integer('octaves'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Notes];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => HandCraft::NAME, 'kind' => 'octave', 'notes' => $this->notes, 'octaves' => $this->octaves];
    }

    public function carried(Matching $matching): ?static
    {
        $notes = $matching->notes($this->notes);

        return $notes === [] ? null : new self($this->id, $notes, $this->octaves);
    }

    public function inWords(): string
    {
        return 'notes played in another octave';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes(...$this->notes);
    }
}
