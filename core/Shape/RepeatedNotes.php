<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

/**
 * Where repeated notes lead: they are never all alike, unless the teacher wants them so [trade].
 */
enum RepeatedNotes: string
{
    case Fade = 'fade';
    case Grow = 'grow';
    case Stay = 'stay';
}
