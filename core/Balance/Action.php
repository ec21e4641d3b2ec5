<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

/**
 * What can be done about it at a place.
 */
enum Action: string
{
    /** Notes are so many dB louder or softer. */
    case Nudge = 'nudge';
}
