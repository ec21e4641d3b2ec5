<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * What the pedal can do wrong.
 */
enum FindingKind: string
{
    case MuddySpan = 'muddy-span';
    case HarmonyUnderOnePedal = 'harmony-under-one-pedal';
    case BassLost = 'bass-lost';
    case PedalThroughRest = 'pedal-through-rest';
    case StaccatoUnderPedal = 'staccato-under-pedal';
    case WindowTight = 'window-tight';
    case FootTooFast = 'foot-too-fast';
    case ChangeOffOnset = 'change-off-onset';
}
