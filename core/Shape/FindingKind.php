<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

/**
 * What a teacher should hear about the shape before the student does.
 */
enum FindingKind: string
{
    case NoRoomToGrow = 'no-room-to-grow';
    case NoRoomToFall = 'no-room-to-fall';
    case SubitoUnprepared = 'subito-unprepared';
    case PrintContradicted = 'print-contradicted';
    case FlatPhrase = 'flat-phrase';
    case SecondGoal = 'second-goal';
    case ClimaxSpent = 'climax-spent';
    case EchoAlike = 'echo-alike';
    case Bump = 'bump';
    case ResolutionLouder = 'resolution-louder';
    case HighNoteOut = 'high-note-out';
    case UpBeatAccented = 'up-beat-accented';
    case RepeatedAlike = 'repeated-alike';
}
