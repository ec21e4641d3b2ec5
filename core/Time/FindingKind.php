<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

/**
 * What can be wrong with how time is taken.
 */
enum FindingKind: string
{
    /** Rubato that does not give back. */
    case Owed = 'owed';

    /** A beat beyond what still has a pulse. */
    case PulseLost = 'pulse-lost';

    case SlowingEarly = 'slowing-early';

    case SlowingSteep = 'slowing-steep';

    /** The last note slower than the slowing before it has reached. */
    case LastNoteSlower = 'last-note-slower';

    case HoldShort = 'hold-short';

    case HoldLong = 'hold-long';

    /** A slowing after which no tempo comes. */
    case NoReturn = 'no-return';

    /** A change that does not lead to the tempo that is marked after it. */
    case TargetMissed = 'target-missed';

    /** A section whose tempo is not the printed share of the one before. */
    case RatioDrifts = 'ratio-drifts';

    /** A silence that the pedal fills. */
    case SilenceFilled = 'silence-filled';

    case LastBarCut = 'last-bar-cut';

    /** More than the student's measured rate carries. */
    case BeyondRate = 'beyond-rate';
}
