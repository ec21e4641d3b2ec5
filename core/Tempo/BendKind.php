<?php

declare(strict_types=1);

namespace Tarnwind\Core\Tempo;

/**
 * Why a stretch of time is not as long as the tempo has it.
 */
enum BendKind: string
{
    case Rubato = 'rubato';
    case Ending = 'ending';
    case Lean = 'lean';
    case Hold = 'hold';
    case Silence = 'silence';
}
