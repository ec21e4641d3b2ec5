<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

/**
 * What can be done about it at a place.
 */
enum Action: string
{
    /** A dynamic at a place, by its letters. */
    case Dynamic = 'dynamic';

    /** The teacher's dynamic at a place is taken away. */
    case AsPrinted = 'as-printed';

    /** A breath after a note. */
    case Breathe = 'breathe';

    /** The phrase that begins at a place is as the school has it. */
    case PlainArch = 'plain-arch';

    /** The phrase that begins at a place is so many dB louder or softer as a whole. */
    case Level = 'level';

    /** Its phrase grows to this note. */
    case Goal = 'goal';

    /** Notes are so many dB louder or softer. */
    case Nudge = 'nudge';
}
