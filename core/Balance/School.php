<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Reading\Layer;

/**
 * How far the layers stand apart at the stroke [trade: the melody one to two grades over the filling, the bass between]. Values in dB
 * are set on labelled bars [start].
 */
enum School: string
{
    /** All as loud as it is printed. */
    case AsPrinted = 'as-printed';

    /** The melody sings well over all else. */
    case Singing = 'singing';

    /** The layers stay close. */
    case Even = 'even';

    /**
     * dB that a layer gets beside the dynamic it stands in.
     */
    public function level(Layer $layer): float
    {
        return match ($this) {
            self::AsPrinted => 0.0,
            self::Singing => match ($layer) {
                Layer::Melody => 2.0,
                Layer::Bass => -2.5,
                Layer::Inner => -1.7,
                Layer::Filling => -5.5,
            },
            self::Even => match ($layer) {
                Layer::Melody => 1.0,
                Layer::Bass => 0.0,
                Layer::Inner => 0.0,
                Layer::Filling => -2.5,
            },
        };
    }
}
