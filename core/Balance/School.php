<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Reading\Layer;

/**
 * How far the layers stand apart [trade: the melody one to two grades over the filling, the bass between; values start].
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
     * Velocities that a layer gets.
     */
    public function level(Layer $layer): float
    {
        return match ($this) {
            self::AsPrinted => 0.0,
            self::Singing => match ($layer) {
                Layer::Melody => 8.0,
                Layer::Bass => -4.0,
                Layer::Inner => -6.0,
                Layer::Filling => -14.0,
            },
            self::Even => match ($layer) {
                Layer::Melody => 4.0,
                Layer::Bass => 0.0,
                Layer::Inner => 0.0,
                Layer::Filling => -6.0,
            },
        };
    }
}
