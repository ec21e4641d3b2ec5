<?php

declare(strict_types=1);

namespace Tarnwind\Core\Craft;

use RuntimeException;

/**
 * A question that cannot be answered as it is asked; the message says why.
 */
final class InvalidQuestion extends RuntimeException
{
}
