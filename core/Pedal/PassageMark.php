<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Stretch;
use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Place;

/**
 * A passage that is pedalled in its own way.
 */
final readonly class PassageMark implements Mark
{
    /**
     * @param  PedalSettings  $settings  in place of the piece's
     * @param  string  $words  the teacher's reason
     */
    public function __construct(
        public string $id,
        public Place $from,
        public Place $to,
        public PedalSettings $settings,
        public string $words = '',
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self($fields->string('id'), $fields->place('from'), $fields->place('to'), PedalSettings::read($fields), $fields->string('words'));
    }

    public static function bearsOn(): array
    {
        return [Aspect::Suggestions];
    }

    /**
     * @param  array<string, Measure>  $measures  by id
     * @return ?Stretch null where the score has no place for it
     */
    public function stretch(array $measures): ?Stretch
    {
        return Stretch::between($this->from, $this->to, $measures, $this->id);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'craft' => PedalCraft::NAME, 'kind' => 'passage', 'from' => $this->from->toArray(), 'to' => $this->to->toArray(),
            ...$this->settings->toArray(), 'words' => $this->words,
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self($this->id, $from, $to, $this->settings, $this->words);
    }

    public function inWords(): string
    {
        return 'the way of pedalling a passage';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
