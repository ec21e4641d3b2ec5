<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Manner;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Settings;

/**
 * The way of pedalling that suggestions follow, in a piece or a passage.
 */
final readonly class PedalSettings implements Settings
{
    /**
     * @param  ?float  $haze  0 clean, 0.5 singing, 1 haze, or between them; null for the school's own
     * @param  Rate  $rate  how often the pedal is changed as a rule
     * @param  Manner  $habit  how the foot goes down against what is struck
     * @param  ?Depth  $depth  that pedals have; null for what is best
     * @param  PedalNotation  $notation  on the marked copy
     */
    public function __construct(
        public School $school = School::Singing,
        public ?float $haze = null,
        public Rate $rate = Rate::Free,
        public Manner $habit = Manner::After,
        public ?Depth $depth = null,
        public PedalNotation $notation = PedalNotation::Line,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self(
            $fields->choice('school', School::class, School::Singing), $fields->has('haze') ? $fields->number('haze') : null,
            $fields->choice('rate', Rate::class, Rate::Free), $fields->choice('habit', Manner::class, Manner::After),
            $fields->has('depth') ? Depth::from($fields->nameOrInteger('depth')) : null,
            $fields->choice('notation', PedalNotation::class, PedalNotation::Line),
        );
    }

    public static function bearsOn(): array
    {
        return [Aspect::Suggestions, Aspect::Words];
    }

    public function weights(): Weights
    {
        return $this->school->weights($this->haze);
    }

    public function toArray(): array
    {
        return [
            'school' => $this->school->value,
            ...($this->haze === null ? [] : ['haze' => $this->haze]),
            ...($this->rate === Rate::Free ? [] : ['rate' => $this->rate->value]),
            ...($this->habit === Manner::After ? [] : ['habit' => $this->habit->value]),
            ...($this->depth === null ? [] : ['depth' => $this->depth->value()]),
            ...($this->notation === PedalNotation::Line ? [] : ['notation' => $this->notation->value]),
        ];
    }
}
