<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

/**
 * What can be done about it.
 */
enum Action: string
{
    /** The rubato that is named gives back what it took. */
    case GiveBack = 'give-back';

    /** The rubato that is named stays within what still has a pulse. */
    case WithinLimits = 'within-limits';

    /** The slowing that is named begins a bar later, or earlier. */
    case Later = 'later';

    case Earlier = 'earlier';

    /** The tempo comes back after the slowing that is named. */
    case ComesBack = 'comes-back';

    /** What is printed at a place slows down or quickens to another: "to/share". */
    case Ends = 'ends';

    /** What stands at a place is held for so many seconds. */
    case Hold = 'hold';

    /** The teacher's tempo at a place is taken away. */
    case AsPrinted = 'as-printed';

    /** The piece begins at so many quarters a minute. */
    case Tempo = 'tempo';
}
