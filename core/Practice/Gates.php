<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * What opens the next step: two schools.
 */
enum Gates: string
{
    /** Notes and rhythm safe before polish. */
    case Notes = 'notes';
    /** Impulse and sound first; slips are forgiven. */
    case Sound = 'sound';
}
