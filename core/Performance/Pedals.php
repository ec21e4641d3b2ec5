<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * What the feet do.
 */
final readonly class Pedals
{
    /**
     * @param  list<Span>  $damper  the right pedal; in order, not overlapping
     * @param  list<Stretch>  $soft  the left pedal, una corda; in order
     * @param  list<Stretch>  $sostenuto  the middle pedal, which keeps the keys that are down when it goes down; in order
     * @param  list<Stretch>  $washes  where sounds are meant to run into each other; in order
     * @param  list<Stretch>  $dry  where no pedal is wanted; in order
     */
    public function __construct(
        public array $damper = [],
        public array $soft = [],
        public array $sostenuto = [],
        public array $washes = [],
        public array $dry = [],
    ) {
    }
}
