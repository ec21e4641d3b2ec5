<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * How far the damper pedal goes down.
 */
enum Depth: string
{
    case Full = 'full';
    case Half = 'half';
}
