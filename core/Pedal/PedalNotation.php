<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * How the damper pedal is printed on the marked copy.
 */
enum PedalNotation: string
{
    /** A line with notches. */
    case Line = 'line';

    /** A sign where it goes down and one where it comes up. */
    case Signs = 'signs';
}
