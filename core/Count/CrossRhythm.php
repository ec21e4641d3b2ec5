<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Fraction;

/**
 * Two hands, or two voices of one hand, dividing the same time differently, such as three against two.
 */
final readonly class CrossRhythm
{
    /**
     * @param  Fraction  $from  quarters from the beginning
     * @param  int  $upper  equal notes of the right hand, or of the upper voice
     * @param  int  $lower  equal notes of the left hand, or of the lower voice
     * @param  ?Hand  $hand  that plays both; null for both hands
     */
    public function __construct(
        public Fraction $from,
        public Fraction $to,
        public int $measure,
        public int $upper,
        public int $lower,
        public ?Hand $hand = null,
    ) {
    }

    /**
     * Every stroke in order, on the smallest grid both fall on.
     *
     * @return list<array{place: int, hand: string}> place on a grid of upper × lower; hand "together", "right" or "left", in one hand "upper" or "lower"
     */
    public function grid(): array
    {
        [$upperName, $lowerName] = $this->hand === null ? ['right', 'left'] : ['upper', 'lower'];
        $strokes = [];
        for ($place = 0; $place < $this->upper * $this->lower; $place++) {
            $upper = $place % $this->lower === 0;
            $lower = $place % $this->upper === 0;
            if ($upper || $lower) {
                $strokes[] = ['place' => $place, 'hand' => $upper && $lower ? 'together' : ($upper ? $upperName : $lowerName)];
            }
        }

        return $strokes;
    }

    /**
     * "3 against 2", "3 against 2 in the right hand".
     */
    public function inWords(): string
    {
        return "$this->upper against $this->lower".($this->hand === null ? '' : " in the {$this->hand->value} hand");
    }

    /**
     * As a teacher says it: "together, right, left, right".
     */
    public function spoken(): string
    {
        return implode(', ', array_column($this->grid(), 'hand'));
    }
}
