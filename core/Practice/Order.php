<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * With which chunk work begins.
 */
enum Order: string
{
    case Hardest = 'hardest';
    case First = 'first';
}
