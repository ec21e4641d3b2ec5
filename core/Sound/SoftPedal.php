<?php

declare(strict_types=1);

namespace Tarnwind\Core\Sound;

/**
 * What the left pedal of an instrument does.
 */
enum SoftPedal: string
{
    case Works = 'works';
    case Weak = 'weak';
    case None = 'none';
}
