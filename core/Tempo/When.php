<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

/**
 * In which of several times a bar is played something holds.
 */
enum When: string
{
    case Every = 'every';
    case First = 'first';
    case Last = 'last';

    public function holdsIn(Pass $pass): bool
    {
        return $this === self::Every || $this->value === $pass->value;
    }
}
