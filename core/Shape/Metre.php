<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

/**
 * Whether strong beats carry weight of their own [trade].
 */
enum Metre: string
{
    case Leaned = 'leaned';
    case Levelled = 'levelled';
}
