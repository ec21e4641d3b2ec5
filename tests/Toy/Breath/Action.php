<?php

declare(strict_types=1);

namespace Tests\Toy\Breath;

/**
 * What can be done about it at a place.
 */
enum Action: string
{
    case Breathe = 'breathe';
}
