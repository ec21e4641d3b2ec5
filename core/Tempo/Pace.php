<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

use Tarnwind\Core\Score\Fraction;

/**
 * What is said of the tempo at a place.
 */
final readonly class Pace
{
    /**
     * @param  Fraction  $at  quarters from the beginning
     * @param  float  $value  quarters a minute where they are marked; else the share of the tempo before that is reached
     * @param  ?Fraction  $to  where a gradual change or a free passage ends; null for where something is said next
     * @param  bool  $stays  whether the tempo that was reached stays, or the one before comes back
     * @param  float  $shape  how late the change comes: the exponent of `Slowing`
     * @param  string  $says  the word, or what it is for
     * @param  ?string  $mark  id of the teacher's mark
     */
    public function __construct(
        public Fraction $at,
        public TempoChange $change,
        public float $value = 1.0,
        public ?Fraction $to = null,
        public bool $stays = false,
        public float $shape = Slowing::SHAPE,
        public string $says = '',
        public ?string $mark = null,
    ) {
    }

    public function isSlowing(): bool
    {
        return $this->change === TempoChange::Gradual && $this->value < 1;
    }
}
