<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Plan\Anchors;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Plan\Fields;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Matching;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Place;

/**
 * A layer that is louder or softer in a passage than in the piece, at once or more and more.
 */
final readonly class LayerMark implements Mark
{
    /**
     * @param  float  $change  dB
     * @param  bool  $gradual  whether the change comes bit by bit and is there at the end of the passage
     * @param  bool  $silent  whether the keys are touched without sounding, whatever the change
     */
    public function __construct(
        public string $id,
        public Place $from,
        public Place $to,
        public Layer $layer,
        public float $change,
        public bool $gradual = false,
        public bool $silent = false,
    ) {
    }

    public static function read(Fields $fields): static
    {
        return new self(
            $fields->string('id'), $fields->place('from'), $fields->place('to'), $fields->choice('layer', Layer::class), $fields->number('change'),
            $fields->has('gradual') && $fields->boolean('gradual'), $fields->has('silent') && $fields->boolean('silent'),
        );
    }

    public static function bearsOn(): array
    {
        return [Aspect::Levels];
    }

    public function id(): string
    {
        return $this->id;
    }

    public function toArray(): array
    {
        return [
            'id' => $this->id, 'craft' => BalanceCraft::NAME, 'kind' => 'layer', 'from' => $this->from->toArray(), 'to' => $this->to->toArray(),
            'layer' => $this->layer->value, 'change' => $this->change, ...($this->gradual ? ['gradual' => true] : []), ...($this->silent ? ['silent' => true] : []),
        ];
    }

    public function carried(Matching $matching): ?static
    {
        $from = $matching->place($this->from);
        $to = $matching->end($this->to, $this->from);

        return $from === null || $to === null ? null : new self($this->id, $from, $to, $this->layer, $this->change, $this->gradual, $this->silent);
    }

    public function inWords(): string
    {
        return 'the level of a layer';
    }

    public function anchors(): Anchors
    {
        return Anchors::places($this->from, $this->to);
    }
}
