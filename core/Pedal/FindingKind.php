<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * What the pedals can do wrong.
 */
enum FindingKind: string
{
    case MuddySpan = 'muddy-span';
    case HarmonyChangeUnderOnePedal = 'harmony-change-under-one-pedal';
    case BassLost = 'bass-lost';
    case BassMovedUnderPedal = 'bass-moved-under-pedal';
    case StepsSmeared = 'steps-smeared';
    case GapInLine = 'gap-in-line';
    case PedalNeeded = 'pedal-needed';
    case PedalThroughGeneralRest = 'pedal-through-general-rest';
    case FootLateForRest = 'foot-late-for-rest';
    case NoClearingBeforeSubito = 'no-clearing-before-subito';
    case StaccatoUnderPedal = 'staccato-under-pedal';
    case WindowTight = 'window-tight';
    case FootTooFast = 'foot-too-fast';
    case ChangeOffAnyOnset = 'change-off-any-onset';
    case PrintedPedalContradicted = 'printed-pedal-contradicted';
    case DepthNotThere = 'depth-not-there';
    case SoftPedalWeak = 'soft-pedal-weak';
    case SostenutoNotThere = 'sostenuto-not-there';
    case SostenutoCatchesNothing = 'sostenuto-catches-nothing';
}
