<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Plan\Fields;

/**
 * How signs are played that are more than their notes: a school of ornaments.
 */
final readonly class Ornamenting
{
    /** Notes of a trill a second: 10 to 14 [mem]. */
    private const SPEED = 12.0;

    /** ms from note to note of a rolled chord: 40 to 120 [start]. */
    private const SPREAD = 60.0;

    /**
     * @param  bool  $gracesOnBeat  whether grace notes come on the beat, or before it
     * @param  bool  $fromUpper  whether trills begin on the upper note, or on the main one
     * @param  float  $speed  notes of a trill a second
     * @param  bool  $rollBefore  whether rolled chords end on the beat, or begin there
     * @param  float  $spread  ms from note to note of a rolled chord
     * @param  float  $lead  ms that the melody comes before what is struck with it: 20 to 30 in expressive playing
     *                       (Goebl, "Melody lead in piano performance", JASA 110, 2001 [mem])
     */
    public function __construct(
        public bool $gracesOnBeat = false,
        public bool $fromUpper = false,
        public float $speed = self::SPEED,
        public bool $rollBefore = false,
        public float $spread = self::SPREAD,
        public float $lead = 0.0,
    ) {
    }

    /**
     * What a style does by itself: older music plays its graces on the beat and trills from above [trade].
     */
    public static function by(Profile $profile): self
    {
        return $profile === Profile::Older ? new self(true, true) : new self;
    }

    /**
     * @throws \Tarnwind\Core\Plan\InvalidPlan
     */
    public static function read(Fields $fields): self
    {
        return new self(
            $fields->string('graces') === 'on', $fields->string('trill') === 'upper', $fields->number('speed'), $fields->string('roll') === 'before',
            $fields->number('spread'), $fields->number('lead'),
        );
    }

    /**
     * @return array{graces: string, trill: string, speed: float, roll: string, spread: float, lead: float}
     */
    public function toArray(): array
    {
        return [
            'graces' => $this->gracesOnBeat ? 'on' : 'before', 'trill' => $this->fromUpper ? 'upper' : 'main', 'speed' => $this->speed,
            'roll' => $this->rollBefore ? 'before' : 'from', 'spread' => $this->spread, 'lead' => $this->lead,
        ];
    }
}
