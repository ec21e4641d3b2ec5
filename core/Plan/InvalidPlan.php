<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use RuntimeException;

/**
 * A document that is no plan; the message says where it goes wrong.
 */
final class InvalidPlan extends RuntimeException
{
}
