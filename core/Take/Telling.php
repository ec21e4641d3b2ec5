<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

/**
 * What an instrument tells of its pedal.
 */
enum Telling: string
{
    case Nothing = 'nothing';
    case OnAndOff = 'on-and-off';
    case Depth = 'depth';
}
