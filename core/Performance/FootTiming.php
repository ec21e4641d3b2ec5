<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * A legato change of the pedal in seconds around the new sound.
 */
final class FootTiming
{
    /** The foot comes up this long after it [mem]. */
    public const UP_AFTER = 0.02;

    /** And is down again this long after it at moderate tempo [mem]. */
    public const DOWN_AFTER = 0.15;

    /** Where nothing rings that it would have to let go first, this long after it [start]. */
    public const FRESH_AFTER = 0.05;

    /** But never later than this before the first key to be caught is left. */
    public const MARGIN = 0.02;

    /** A pedal that opens the strings beforehand goes down this long before the sound [start]. */
    public const AHEAD = 0.15;

    /** The dampers need this long to stop the strings [mem]. */
    public const CLEARING = 0.06;
}
