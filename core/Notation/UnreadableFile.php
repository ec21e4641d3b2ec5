<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation;

use RuntimeException;

/**
 * A file that cannot be used as a score; the message is one line in a teacher's words.
 */
final class UnreadableFile extends RuntimeException
{
}
