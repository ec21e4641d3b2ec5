<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\Manner;
use Tarnwind\Core\Performance\Span;
use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Plan\Origin;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Place;

/**
 * A stretch with the pedal down, or one kept dry by intention.
 */
final readonly class PedalMark implements Mark
{
    public const SPAN = 'span';

    public const DRY = 'dry';

    /**
     * @param  bool  $dry  no pedal here
     * @param  string  $words  the teacher's reason or hint
     * @param  Manner  $manner  how the foot goes down against what is struck
     * @param  ?Place  $lowered  where a foot that goes down gradually is all the way down
     * @param  ?Place  $lifting  where a foot that comes up gradually begins to
     * @param  bool  $flutter  quick shallow changes all the while
     */
    public function __construct(
        public string $id,
        public bool $dry,
        public Place $from,
        public Place $to,
        public Depth $depth,
        public Origin $origin,
        public string $words = '',
        public Manner $manner = Manner::After,
        public ?Place $lowered = null,
        public ?Place $lifting = null,
        public bool $flutter = false,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self(
            $fields->string('id'), $fields->string('kind') === self::DRY, $fields->place('from'), $fields->place('to'),
            Depth::from($fields->nameOrInteger('depth')), $fields->choice('origin', Origin::class), $fields->string('words'),
            $fields->choice('manner', Manner::class, Manner::After), $fields->optionalPlace('lowered'), $fields->optionalPlace('lifting'), $fields->flag('flutter'),
        );
    }

    public static function bearsOn(): array
    {
        return [Aspect::Foot];
    }

    /**
     * @param  array<string, Measure>  $measures  by id
     * @return ?Span null where the score has no place for it
     */
    public function span(array $measures): ?Span
    {
        $from = $this->from->onset($measures);
        $to = $this->to->onset($measures);
        if ($from === null || $to === null || ! $from->isLessThan($to)) {
            return null;
        }
        $inside = function (?Place $place) use ($measures, $from, $to): ?Fraction {
            $at = $place?->onset($measures);

            return $at !== null && $from->isLessThan($at) && $at->isLessThan($to) ? $at : null;
        };

        return new Span($from, $to, $this->depth, $this->id, $this->manner, $inside($this->lowered), $inside($this->lifting), $this->flutter);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'craft' => PedalCraft::NAME, 'kind' => $this->dry ? self::DRY : self::SPAN,
            'from' => $this->from->toArray(), 'to' => $this->to->toArray(),
            'depth' => $this->depth->value(), 'origin' => $this->origin->value, 'words' => $this->words,
            ...($this->manner === Manner::After ? [] : ['manner' => $this->manner->value]),
            ...($this->lowered === null ? [] : ['lowered' => $this->lowered->toArray()]),
            ...($this->lifting === null ? [] : ['lifting' => $this->lifting->toArray()]),
            ...($this->flutter ? ['flutter' => true] : []),
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);
        $inside = fn (?Place $place): ?Place => $place === null ? null : $matching->place($place);

        return $from === null || $to === null ? null : new self(
            $this->id, $this->dry, $from, $to, $this->depth, $this->origin, $this->words, $this->manner, $inside($this->lowered), $inside($this->lifting), $this->flutter,
        );
    }

    public function inWords(): string
    {
        return 'a pedal mark';
    }

    public function anchors(): Anchors
    {
        return Anchors::places(...array_values(array_filter([$this->from, $this->to, $this->lowered, $this->lifting])));
    }
}
