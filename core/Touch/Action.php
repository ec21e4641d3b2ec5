<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

/**
 * What can be done about how a note is left.
 */
enum Action: string
{
    /** An articulation. */
    case Articulate = 'articulate';

    /** Its articulation is taken back. */
    case Clear = 'clear';

    /** It is not held on. */
    case Release = 'release';
}
