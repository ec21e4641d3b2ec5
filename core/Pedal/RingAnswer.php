<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Performance\Performance;

/**
 * What sounds at the place that is asked for.
 */
final class RingAnswer implements Answer
{
    public static function restsOn(): array
    {
        return PedalAnswer::restsOn();
    }

    public static function excerpt(): Excerpt
    {
        return PedalAnswer::excerpt();
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        return Ring::at($performance->part(Timeline::class), $performance->pedals(), $performance->student->piano->acoustics(), $asked->fraction('at'))->toArray();
    }
}
