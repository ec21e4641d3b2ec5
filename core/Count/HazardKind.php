<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

/**
 * What is easily miscounted or misread.
 */
enum HazardKind: string
{
    case UpBeat = 'up-beat';
    case CrossRhythm = 'cross-rhythm';
    case DottedFigure = 'dotted-figure';
    case LongNote = 'long-note';
    case SilentFirstBeat = 'silent-first-beat';
    case LateRest = 'late-rest';
    case FastRepetition = 'fast-repetition';
    case FastRun = 'fast-run';
    case Accidental = 'accidental';
}
