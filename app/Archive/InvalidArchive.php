<?php

declare(strict_types=1);

namespace App\Archive;

use RuntimeException;

/**
 * A file that is no studio, or none that can be taken in; the message says why in one line.
 */
final class InvalidArchive extends RuntimeException
{
}
