<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Touch\Ornamenting;

/**
 * How the signs, grace notes and rolls of some notes are played, in place of what the piece has.
 */
final readonly class OrnamentMark implements Mark
{
    /**
     * @param  non-empty-list<string>  $notes  ids
     */
    public function __construct(
        public string $id,
        public array $notes,
        public Ornamenting $how,
    ) {
    }

    /**
     * @return array<string, Ornamenting> by id of the note; the later of two holds
     */
    public static function byNote(Plan $plan): array
    {
        $all = [];
        foreach ($plan->marksOf(self::class) as $mark) {
            $all = array_replace($all, array_fill_keys($mark->notes, $mark->how));
        }

        return $all;
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->strings('notes'), Ornamenting::read($fields->object('how')));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Time];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return ['id' => $this->id, 'craft' => TimeCraft::NAME, 'kind' => 'ornament', 'notes' => $this->notes, 'how' => $this->how->toArray()];
    }

    public function carried(Matching $matching): ?static
    {
        $notes = $matching->notes($this->notes);

        return $notes === [] ? null : new self($this->id, $notes, $this->how);
    }

    public function inWords(): string
    {
        return 'how an ornament is played';
    }

    public function anchors(): Anchors
    {
        return Anchors::notes(...$this->notes);
    }
}
