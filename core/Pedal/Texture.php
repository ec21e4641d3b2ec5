<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Reading\Harmony;
use Tarnwind\Core\Rendition\TempoMap;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;

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
        $low = 0;
        $high = count($this->moments) - 1;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($at->isLessThan($this->moments[$middle]->at)) {
                $high = $middle - 1;
            } else {
                $low = $middle;
            }
        }

        return $low;
    }

    public function momentAtSeconds(float $seconds): int
    {
        $low = 0;
        $high = count($this->moments) - 1;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($seconds < $this->moments[$middle]->seconds - 1e-6) {
                $high = $middle - 1;
            } else {
                $low = $middle;
            }
        }

        return $low;
    }

    public function harmonyAt(int $moment): ?Harmony
    {
        $index = $this->moments[$moment]->harmony;

        return $index === null ? null : $this->harmonies[$index];
    }
}
