<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Count\Rates;
use Tarnwind\Core\Pedal\Span;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Sound\Piano;

/**
 * What a student's hands are asked for: a score as it is played, its fingering, the foot, and what hands and piano can do.
 */
final readonly class Task
{
    /**
     * @param  list<Span>  $pedal  in order, not overlapping
     */
    public function __construct(
        public Score $score,
        public Reading $reading,
        public TempoMap $tempo,
        public Fingering $fingering,
        public Hands $hands = new Hands,
        public Rates $rates = new Rates,
        public Piano $piano = new Piano,
        public array $pedal = [],
    ) {
    }

    /**
     * The stretch of pedal that goes on from just before a moment into it; null where the foot is up.
     */
    public function pedalInto(Fraction $at): ?Span
    {
        if ($this->pedal === []) {
            return null;
        }
        $span = $this->pedal[Search::last(count($this->pedal), fn (int $index): bool => $this->pedal[$index]->down->isLessThan($at))];

        return $span->down->isLessThan($at) && ! $span->up->isLessThan($at) ? $span : null;
    }
}
