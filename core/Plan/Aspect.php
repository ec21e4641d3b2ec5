<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

/**
 * What of a performance a mark can change, and an answer can rest on. An edit asks again for those answers only that
 * rest on an aspect it bears on.
 */
enum Aspect: string
{
    /** Which chord is heard. */
    case Harmony = 'harmony';

    /** Where phrases begin. */
    case Phrases = 'phrases';

    /** Which note is melody, bass, inner line or filling. */
    case Layers = 'layers';

    /** Which hand plays a note. */
    case Hands = 'hands';

    /** Which notes are played, how long they are meant, and what is slurred. */
    case Notes = 'notes';

    /** Which finger plays a note. */
    case Fingers = 'fingers';

    /** How long keys are held. */
    case Lengths = 'lengths';

    /** When the pedals move. */
    case Foot = 'foot';

    /** How loud notes are. */
    case Levels = 'levels';

    /** When things happen, in seconds. */
    case Time = 'time';

    /** What the student reads. */
    case Words = 'words';

    /** What is practised, and how. */
    case Practice = 'practice';

    /** What the teacher means so, and no craft says again. */
    case Intended = 'intended';

    /** What suggestions go by; nothing that is played or measured. */
    case Suggestions = 'suggestions';
}
