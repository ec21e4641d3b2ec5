<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use RuntimeException;

/**
 * What was played to get to know an instrument tells nothing of it; the message is one line in a teacher's words.
 */
final class UnusableCalibration extends RuntimeException
{
}
