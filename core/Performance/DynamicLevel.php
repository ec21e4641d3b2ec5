<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Fraction;

/**
 * The loudness that holds from a moment on.
 */
final class DynamicLevel
{
    /** Velocity that a hairpin reaches where the next level begins; null without a hairpin. */
    public ?float $goal = null;

    /**
     * @param  float  $velocity  MIDI
     * @param  string  $name  the mark's letters, or where the level comes from
     * @param  int  $led  1 where a hairpin has grown to it, -1 where one has fallen, 0 where a mark stands
     */
    public function __construct(
        public readonly Fraction $from,
        public readonly float $velocity,
        public readonly string $name,
        public readonly int $led = 0,
    ) {
    }
}
