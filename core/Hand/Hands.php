<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Reading\Hand;

/**
 * A student's hands.
 */
final readonly class Hands
{
    public function __construct(
        public Reach $right = new Reach,
        public Reach $left = new Reach,
    ) {
    }

    public function reach(Hand $hand): Reach
    {
        return $hand === Hand::Right ? $this->right : $this->left;
    }
}
