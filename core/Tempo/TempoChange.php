<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

/**
 * How a word changes the tempo.
 */
enum TempoChange
{
    /** Bit by bit, to the next that is said of the tempo. */
    case Gradual;

    /** At once, from here on. */
    case AtOnce;

    /** To the tempo that was marked last. */
    case Back;

    /** To the tempo of the beginning. */
    case First;
}
