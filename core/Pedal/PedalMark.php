<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Plan\Origin;
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
     */
    public function __construct(
        public string $id,
        public bool $dry,
        public Place $from,
        public Place $to,
        public Depth $depth,
        public Origin $origin,
        public string $words = '',
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self(
            $fields->string('id'), $fields->string('kind') === self::DRY, $fields->place('from'), $fields->place('to'),
            $fields->choice('depth', Depth::class), $fields->choice('origin', Origin::class), $fields->string('words'),
        );
    }

    public static function bearsOn(): array
    {
        return [Aspect::Foot];
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
            'depth' => $this->depth->value, 'origin' => $this->origin->value, 'words' => $this->words,
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self($this->id, $this->dry, $from, $to, $this->depth, $this->origin, $this->words);
    }

    public function inWords(): string
    {
        return 'a pedal mark';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
