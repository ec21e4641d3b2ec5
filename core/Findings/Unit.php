<?php

declare(strict_types=1);

namespace Tarnwind\Core\Findings;

/**
 * What a finding is measured in.
 */
enum Unit: string
{
    /** Roughness of what rings on, 1 for C4 and C♯4 struck together at velocity 64. */
    case Blur = 'blur';
    case Milliseconds = 'ms';
    case Seconds = 's';
    case Semitones = 'semitones';
    case Notes = 'notes';
    case Strokes = 'strokes';
    case PerSecond = 'a second';

    /** Of the written length. */
    case Share = 'share';

    /** Quarters a minute. */
    case PerMinute = 'a minute';
    case Bars = 'bars';

    /** Ways of fingering one figure. */
    case Fingers = 'fingers';
    case Fingerings = 'fingerings';
    case Findings = 'findings';
    case Marks = 'marks';

    /** Grades of dynamics: 3 for p, 4 for mp, and between them what lies between. */
    case Grades = 'grades';
    case Decibel = 'dB';
}
