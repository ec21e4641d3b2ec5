<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * What a fingering goes by.
 */
enum FingeringSchool: string
{
    /** Least effort, whatever comes again. */
    case Ease = 'ease';

    /** Strong fingers where it is loud: the hand moves with the dynamics. */
    case Strength = 'strength';

    /** One fingering for one figure: what comes again has the same fingers. */
    case Figure = 'figure';

    /** The print: what comes again takes the printed fingers with it, and nothing else is suggested. */
    case Print = 'print';

    /**
     * Whether fingers of one figure decide those of another, however far apart.
     */
    public function comparesFigures(): bool
    {
        return $this === self::Figure || $this === self::Print;
    }
}
