<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Findings\Unit;

/**
 * What is measured in a take.
 */
enum MeasureKind: string
{
    case WrongNote = 'wrong-note';
    case MissingNote = 'missing-note';
    case ExtraNote = 'extra-note';
    case Stop = 'stop';
    case Hesitation = 'hesitation';
    case Rushed = 'rushed';
    case Dragged = 'dragged';
    case Drift = 'drift';
    case Slowing = 'slowing';
    case Hold = 'hold';
    case ShortRest = 'short-rest';
    case Ratio = 'ratio';
    case CrossRhythm = 'cross-rhythm';
    case Rubato = 'rubato';
    case Evenness = 'evenness';
    case ChordSpread = 'chord-spread';
    case HandsApart = 'hands-apart';
    case Gap = 'gap';
    case Smear = 'smear';
    case MissedPedal = 'missed-pedal';
    case ExtraPedal = 'extra-pedal';
    case BassLost = 'bass-lost';
    case LateLift = 'late-lift';
    case Depth = 'depth';
    case Blur = 'blur';
    case Filling = 'filling';
    case TopNote = 'top-note';
    case Bass = 'bass';
    case Goal = 'goal';
    case Flat = 'flat';
    case Echo = 'echo';
    case Level = 'level';
    case Repeated = 'repeated';
    case Accents = 'accents';
    case Headroom = 'headroom';
    case Unjoined = 'unjoined';
    case Overlap = 'overlap';
    case Staccato = 'staccato';
    case SlurEnd = 'slur-end';
    case RestHeld = 'rest-held';
    case LetGo = 'let-go';
    case LeftApart = 'left-apart';

    public function subject(): Subject
    {
        return match ($this) {
            self::WrongNote, self::MissingNote, self::ExtraNote, self::Stop => Subject::Notes,
            self::Hesitation, self::Rushed, self::Dragged, self::Drift, self::Slowing, self::Hold, self::ShortRest, self::Ratio, self::CrossRhythm, self::Rubato,
            self::Evenness, self::ChordSpread, self::HandsApart => Subject::Time,
            self::Gap, self::Smear, self::MissedPedal, self::ExtraPedal, self::BassLost, self::LateLift, self::Depth, self::Blur => Subject::Foot,
            self::Filling, self::TopNote, self::Bass => Subject::Balance,
            self::Goal, self::Flat, self::Echo, self::Level, self::Repeated, self::Accents, self::Headroom => Subject::Shape,
            self::Unjoined, self::Overlap, self::Staccato, self::SlurEnd, self::RestHeld, self::LetGo, self::LeftApart => Subject::Touch,
        };
    }

    /**
     * What its values and its limit are in.
     */
    public function unit(): Unit
    {
        return match ($this) {
            self::WrongNote, self::MissingNote, self::ExtraNote, self::Stop => Unit::Notes,
            self::Rushed, self::Dragged, self::Drift, self::Slowing, self::Hold, self::Ratio, self::CrossRhythm, self::Evenness, self::Depth, self::Staccato, self::LetGo, self::Flat => Unit::Share,
            self::Filling, self::TopNote, self::Bass, self::Goal, self::Echo, self::Level, self::Repeated, self::Accents, self::Headroom => Unit::Decibel,
            self::Blur => Unit::Blur,
            default => Unit::Milliseconds,
        };
    }

    /**
     * How far what is heard may be from what is planned, for an intermediate student; in the unit, or as a share where the words say so
     * [start], but for those that name another source.
     */
    public function limit(): float
    {
        return match ($this) {
            self::WrongNote, self::MissingNote, self::ExtraNote, self::Stop => 0.0,
            self::Hesitation => 280.0,
            self::Rushed => 0.12, self::Dragged => 0.16, self::Drift => 0.15,
            // Shares of what is planned that are wanting.
            self::Slowing, self::Hold => 0.6, self::Flat => 0.5,
            self::ShortRest => 160.0,
            self::Ratio => 0.25, self::CrossRhythm => 0.2, self::Rubato => 350.0, self::Evenness => 0.14,
            // Chord notes within about 30 ms sound together, a lead of 20 to 30 ms is usual: Goebl, JASA 110 (2001) [mem]; twice that is heard.
            self::ChordSpread => 70.0, self::HandsApart => 70.0,
            // A change is complete 120 to 200 ms after the new sound [mem].
            self::Smear => 120.0, self::Gap => 90.0, self::MissedPedal => 0.0, self::ExtraPedal => 250.0, self::BassLost => 0.0, self::LateLift => 280.0,
            self::Depth => 0.3, self::Blur => 0.7,
            // One grade of dynamics is about 4 dB, the least that is heard about 1 dB [mem].
            self::Filling => 3.0, self::TopNote => 3.0, self::Bass => 4.0, self::Goal => 1.0, self::Echo => 1.8, self::Level => 3.0, self::Repeated => 1.0, self::Accents => 2.5, self::Headroom => 2.5,
            self::Unjoined => 70.0, self::Overlap => 180.0, self::SlurEnd => 60.0, self::RestHeld => 200.0,
            // Keys are left less exactly than they are struck.
            self::LeftApart => 140.0,
            // Shares of the written length.
            self::Staccato => 0.25, self::LetGo => 0.35,
        };
    }

    /**
     * Milliseconds and levels widen with the level of the student; what is right or wrong does not.
     */
    public function isGraded(): bool
    {
        return ! in_array($this, [self::WrongNote, self::MissingNote, self::ExtraNote, self::Stop, self::MissedPedal, self::BassLost, self::Blur, self::Slowing, self::Hold, self::Flat], true);
    }

    public function label(): string
    {
        return match ($this) {
            self::WrongNote => 'Wrong notes',
            self::MissingNote => 'Missing notes',
            self::ExtraNote => 'Extra notes',
            self::Stop => 'Stops',
            self::Hesitation => 'Hesitations',
            self::Rushed => 'Rushing',
            self::Dragged => 'Dragging',
            self::Drift => 'Drifting tempo',
            self::Slowing => 'Slowing down',
            self::Hold => 'Fermatas',
            self::ShortRest => 'Rests cut short',
            self::Ratio => 'Dotted and swung',
            self::CrossRhythm => 'Cross-rhythms',
            self::Rubato => 'Time given back',
            self::Evenness => 'Even runs',
            self::ChordSpread => 'Chords together',
            self::HandsApart => 'Hands together',
            self::Gap => 'Pedal gaps',
            self::Smear => 'Late pedal',
            self::MissedPedal => 'Pedal not changed',
            self::ExtraPedal => 'Pedal too often',
            self::BassLost => 'Bass not caught',
            self::LateLift => 'Pedal into rests',
            self::Depth => 'Depth of the pedal',
            self::Blur => 'Blur',
            self::Filling => 'Filling against melody',
            self::TopNote => 'Tops of chords',
            self::Bass => 'Bass',
            self::Goal => 'Goals of phrases',
            self::Flat => 'Flat phrases',
            self::Echo => 'Echoes',
            self::Level => 'Levels',
            self::Repeated => 'Repeated notes',
            self::Accents => 'Accents on the beat',
            self::Headroom => 'Room before the climax',
            self::Unjoined => 'Legato',
            self::Overlap => 'Keys left too late',
            self::Staccato => 'Staccato',
            self::SlurEnd => 'Ends of slurs',
            self::RestHeld => 'Keys held into rests',
            self::LetGo => 'Long notes let go',
            self::LeftApart => 'Chords left together',
        };
    }
}
