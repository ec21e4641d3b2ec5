<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * What the pedal can do wrong.
 */
enum FindingKind: string
{
    case MuddySpan = 'muddy-span';
    case HarmonyChangeUnderOnePedal = 'harmony-change-under-one-pedal';
    case BassLost = 'bass-lost';
    case PedalThroughGeneralRest = 'pedal-through-general-rest';
    case StaccatoUnderPedal = 'staccato-under-pedal';
    case WindowTight = 'window-tight';
    case FootTooFast = 'foot-too-fast';
    case ChangeOffAnyOnset = 'change-off-any-onset';
}
