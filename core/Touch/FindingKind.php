<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

/**
 * What can be wrong with how notes are left.
 */
enum FindingKind: string
{
    case HiddenByPedal = 'hidden-by-pedal';
    case LongStaccato = 'long-staccato';
    case SlurBroken = 'slur-broken';
    case KeyHeldThrough = 'key-held-through';
}
