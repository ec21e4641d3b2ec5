<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * How one note of a line can go over into the next.
 */
enum JointKind: string
{
    case Fingers = 'fingers';
    case Substitution = 'substitution';
    case Pedal = 'pedal';
}
