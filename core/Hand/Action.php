<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * What can be done about what hands are asked for, with some notes.
 */
enum Action: string
{
    /** A finger: "3", or "5-1" for a silent change. */
    case Finger = 'finger';

    /** The teacher's finger is taken back. */
    case Free = 'free';

    /** To a hand: "right" or "left". */
    case Hand = 'hand';

    /** So many octaves upwards: "+1". */
    case Octave = 'octave';
}
