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

    /** The teacher's, taken over from what was planned: nothing is said against it. */
    case Kept = 'kept';
    case Planned = 'planned';
}
