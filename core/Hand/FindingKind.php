<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * What can be wrong with what the hands are asked for.
 */
enum FindingKind: string
{
    case Unjoined = 'unjoined';
    case BeyondReach = 'beyond-reach';
    case SharedKey = 'shared-key';
    case TwoWays = 'two-ways';
    case TooQuick = 'too-quick';
    case LetGo = 'let-go';
    case OffTheKeyboard = 'off-the-keyboard';
    case Strain = 'strain';
    case Leap = 'leap';
    case Crossing = 'crossing';
    case CrossedHands = 'crossed-hands';
    case OneFinger = 'one-finger';
    case WeakFinger = 'weak-finger';
    case Stretch = 'stretch';
    case SoftPedal = 'soft-pedal';
    case Relief = 'relief';

    /**
     * Whether some bars tell of it; others ask for the whole piece, since they compare or count.
     */
    public function isNear(): bool
    {
        return ! in_array($this, [self::TwoWays, self::TooQuick, self::Strain, self::OffTheKeyboard, self::SoftPedal, self::Relief], true);
    }
}
