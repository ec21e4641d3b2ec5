<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * What can be done about a pedalling at a place.
 */
enum Action: string
{
    case Change = 'change';
    case Lift = 'lift';

    /** The pedal before goes on. */
    case Remove = 'remove';

    /** No pedal is left. */
    case Erase = 'erase';

    /** Half way down. */
    case Halve = 'halve';

    /** A finger holds a key until the pedal has caught it. */
    case Hold = 'hold';

    /** Half pedal in place of the middle one. */
    case HalfInstead = 'half-instead';

    /** The printed mark in place of what is planned under it. */
    case AsPrinted = 'as-printed';
}
