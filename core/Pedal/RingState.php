<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * Why a string sounds.
 */
enum RingState: string
{
    /** Its key is down. */
    case Held = 'held';

    /** The damper pedal keeps it, and it belongs to the harmony. */
    case Caught = 'caught';

    /** The damper pedal keeps it, and it does not. */
    case Residue = 'residue';

    /** The middle pedal keeps it. */
    case Sostenuto = 'sostenuto';

    /** It has no damper. */
    case Free = 'free';
}
