<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * Something worked out from a performance that several ask for; it is worked out once.
 */
interface Derived
{
    public static function in(Performance $performance): static;
}
