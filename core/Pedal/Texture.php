<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Search;

/**
 * A piece as the foot meets it: moments in seconds, with what is struck, held and silent at each.
 */
final readonly class Texture
{
    /**
     * @param  list<Moment>  $moments  the last one is the end and strikes nothing
     * @param  list<Harmony>  $harmonies
     * @param  list<Measure>  $measures
     */
    public function __construct(
        public array $moments,
        public array $harmonies,
        public TempoMap $tempo,
        public array $measures,
    ) {
    }

    /**
     * Index of the last moment at or before a place in the score.
     */
    public function momentAt(Fraction $at): int
    {
        return Search::last(count($this->moments), fn (int $index): bool => ! $at->isLessThan($this->moments[$index]->at));
    }

    public function momentAtSeconds(float $seconds): int
    {
        return Search::last(count($this->moments), fn (int $index): bool => $seconds >= $this->moments[$index]->seconds - 1e-6);
    }

    public function harmonyAt(int $moment): ?Harmony
    {
        $index = $this->moments[$moment]->harmony;

        return $index === null ? null : $this->harmonies[$index];
    }
}
