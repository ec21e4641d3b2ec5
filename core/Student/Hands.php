<?php

declare(strict_types=1);

namespace Tarnwind\Core\Student;

use Tarnwind\Core\Reading\Hand;

/**
 * A student's hands: how wide they open, and whether fourth and fifth finger are still weak.
 */
final readonly class Hands
{
    public function __construct(
        public Reach $right = new Reach,
        public Reach $left = new Reach,
        public bool $weakFingers = false,
    ) {
    }

    public function reach(Hand $hand): Reach
    {
        return $hand === Hand::Right ? $this->right : $this->left;
    }
}
