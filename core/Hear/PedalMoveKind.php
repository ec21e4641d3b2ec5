<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

/**
 * What became of a planned move of the foot.
 */
enum PedalMoveKind: string
{
    case Clean = 'clean';
    /** The sound broke before the new one. */
    case Gap = 'gap';
    /** The old sound was kept into the new one. */
    case Smear = 'smear';
    /** The foot did not move. */
    case Missed = 'missed';
    /** It moved where nothing is planned. */
    case Extra = 'extra';
    /** It stayed down beyond where it was to come up. */
    case LateLift = 'late-lift';
}
