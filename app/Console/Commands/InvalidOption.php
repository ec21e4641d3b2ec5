<?php

declare(strict_types=1);

namespace App\Console\Commands;

use RuntimeException;

/**
 * An option with a value the command does not know.
 */
final class InvalidOption extends RuntimeException
{
}
