<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Score\Fraction;

/**
 * Two hands dividing the same time differently, such as three against two.
 */
final readonly class CrossRhythm
{
    /**
     * @param  Fraction  $from  quarters from the beginning
     * @param  int  $right  equal notes of the right hand
     * @param  int  $left  equal notes of the left hand
     */
    public function __construct(
        public Fraction $from,
        public Fraction $to,
        public int $measure,
        public int $right,
        public int $left,
    ) {
    }

    /**
     * Every stroke in order, on the smallest grid both hands fall on.
     *
     * @return list<array{place: int, hand: string}> place on a grid of right × left; hand "together", "right" or "left"
     */
    public function grid(): array
    {
        $strokes = [];
        for ($place = 0; $place < $this->right * $this->left; $place++) {
            $right = $place % $this->left === 0;
            $left = $place % $this->right === 0;
            if ($right || $left) {
                $strokes[] = ['place' => $place, 'hand' => $right && $left ? 'together' : ($right ? 'right' : 'left')];
            }
        }

        return $strokes;
    }

    /**
     * As a teacher says it: "together, right, left, right".
     */
    public function spoken(): string
    {
        return implode(', ', array_column($this->grid(), 'hand'));
    }
}
