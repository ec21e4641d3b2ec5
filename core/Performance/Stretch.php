<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

use Tarnwind\Core\Score\Fraction;

/**
 * From one place to another.
 */
final readonly class Stretch
{
    /**
     * @param  Fraction  $from  quarters from the beginning
     * @param  ?string  $mark  id of the mark that asks for it
     */
    public function __construct(public Fraction $from, public Fraction $to, public ?string $mark = null)
    {
    }

    public function holds(Fraction $at): bool
    {
        return ! $at->isLessThan($this->from) && $at->isLessThan($this->to);
    }
}
