<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What a point of a lesson is.
 */
enum PointKind: string
{
    /** What is to be heard in it, in this order. */
    case Hear = 'hear';
    case Note = 'note';
    /** What was agreed: it comes up again until it is settled. */
    case Agreed = 'agreed';
}
