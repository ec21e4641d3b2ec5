<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

/**
 * Who put a mark where it is.
 */
enum Origin: string
{
    case Printed = 'printed';
    case Suggested = 'suggested';
    case Teacher = 'teacher';
}
