<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * Two ways of beginning with a passage, both common.
 */
enum Start: string
{
    /** All layers at once, from the first bar. */
    case Together = 'together';
    /** Hands and layers apart first. */
    case Apart = 'apart';
}
