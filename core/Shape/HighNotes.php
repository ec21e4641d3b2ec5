<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

/**
 * What a high note in passing is: held back, or let out for being high [trade].
 */
enum HighNotes: string
{
    case Held = 'held';
    case Goal = 'goal';
}
