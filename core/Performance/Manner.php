<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * How the foot goes down against what is struck.
 */
enum Manner: string
{
    /** Just after it, what rings having been let go with it: the legato or syncopated pedal. */
    case After = 'after';

    /** Together with it: the direct or rhythmic pedal. */
    case With = 'with';

    /** Before it, to open the strings: the anticipated pedal. */
    case Before = 'before';

    /** Without coming up before: only the depth changes. */
    case On = 'on';

    public function inWords(): string
    {
        return match ($this) {
            self::After => 'just after the strike',
            self::With => 'with the strike',
            self::Before => 'before the strike',
            self::On => 'without coming up',
        };
    }
}
