<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

/**
 * How the tempo changes at a place.
 */
enum TempoChange
{
    /** Bit by bit, to the next that is said of the tempo. */
    case Gradual;

    /** At once, to a share of the tempo before. */
    case AtOnce;

    /** At once, to quarters a minute. */
    case Marked;

    /** To the tempo that was marked last. */
    case Back;

    /** To the tempo of the beginning. */
    case First;

    /** Not counted: slow in, free in the middle, slow out. */
    case Free;
}
