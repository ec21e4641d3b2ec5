<?php

declare(strict_types=1);

namespace Tarnwind\Core\Findings;

/**
 * How much a finding matters.
 */
enum Severity: string
{
    case Hint = 'hint';
    case Warning = 'warning';
    case Serious = 'serious';
}
