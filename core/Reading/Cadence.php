<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Fraction;

/**
 * How a phrase ends.
 */
final readonly class Cadence
{
    /**
     * @param  Fraction  $at  where its last chord begins
     */
    public function __construct(
        public CadenceKind $kind,
        public Fraction $at,
    ) {
    }
}
