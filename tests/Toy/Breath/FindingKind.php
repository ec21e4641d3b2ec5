<?php

declare(strict_types=1);

namespace Tests\Toy\Breath;

/**
 * What can be wrong with breathing.
 */
enum FindingKind: string
{
    case OutOfBreath = 'out-of-breath';
}
