<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * What is wrong in a poor example, so that a student hears it: see resources/js/sound/faults.ts.
 */
enum Fault: string
{
    case LateFoot = 'late-foot';
    case NoChanges = 'no-changes';
    case NoPedal = 'no-pedal';
    case FillingTooLoud = 'filling-too-loud';
    case AccentedBeats = 'accented-beats';
    case Flat = 'flat';
}
