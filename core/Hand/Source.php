<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * Where a finger comes from.
 */
enum Source: string
{
    case Printed = 'printed';
    case Teacher = 'teacher';
    case Planned = 'planned';
}
