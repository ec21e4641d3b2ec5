<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

use RuntimeException;

/**
 * A file that cannot be used as a take; the message is one line in a teacher's words.
 */
final class UnreadableTake extends RuntimeException
{
}
