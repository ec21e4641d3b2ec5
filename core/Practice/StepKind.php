<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

/**
 * What is done in a step of practice.
 */
enum StepKind: string
{
    case Listen = 'listen';
    case Tapped = 'tapped';
    case Blocks = 'blocks';
    case Outer = 'outer';
    case MelodyAndBass = 'melody-and-bass';
    case RightHand = 'right-hand';
    case LeftHand = 'left-hand';
    case SilentInner = 'silent-inner';
    case WithoutPedal = 'without-pedal';
    case PedalAlone = 'pedal-alone';
    case WeakBeats = 'weak-beats';
    case GroupsOfFour = 'groups-of-four';
    case Differences = 'differences';
    case Together = 'together';
    case Link = 'link';
    case Line = 'line';
    case Whole = 'whole';

    public function label(): string
    {
        return match ($this) {
            self::Listen => 'Listen',
            self::Tapped => 'Rhythm tapped',
            self::Blocks => 'Block chords',
            self::Outer => 'Outer notes',
            self::MelodyAndBass => 'Melody and bass',
            self::RightHand => 'Right hand',
            self::LeftHand => 'Left hand',
            self::SilentInner => 'Inner notes touched, not heard',
            self::WithoutPedal => 'Without pedal',
            self::PedalAlone => 'Pedal alone',
            self::WeakBeats => 'Accents on weak beats',
            self::GroupsOfFour => 'Groups of four',
            self::Differences => 'The differences',
            self::Together => 'Together',
            self::Link => 'Into the next',
            self::Line => 'As one line',
            self::Whole => 'From beginning to end',
        };
    }

    /**
     * What the student is told to do.
     */
    public function does(): string
    {
        return match ($this) {
            self::Listen => 'Hear two good performances with the score on your knees. Where does the line go? What would you keep?',
            self::Tapped => 'Tap the rhythm of both hands on the lid and count aloud.',
            self::Blocks => 'Play each harmony as one chord, in its place; feel the shape before you let go.',
            self::Outer => 'Play only the highest and the lowest note of each stroke.',
            self::MelodyAndBass => 'Play melody and bass; leave the filling out, and hear it.',
            self::RightHand => 'Right hand alone, with its fingers.',
            self::LeftHand => 'Left hand alone, with its fingers.',
            self::SilentInner => 'Play the upper voice; touch the inner notes without sounding them, then let them in very softly.',
            self::WithoutPedal => 'Leave the foot off: the fingers join what they can.',
            self::PedalAlone => 'Foot alone: hear the passage inside and change where it changes.',
            self::WeakBeats => 'Lean on the weak beats, evenly; then play as written.',
            self::GroupsOfFour => 'Play four notes and the first of the next four, stop, and go on from there.',
            self::Differences => 'Play the bars one after the other with those they are like, and say what is new before you play it.',
            self::Together => 'Both hands.',
            self::Link => 'Play the last bar into the first beat of what follows, and stop there.',
            self::Line => 'Play it as one line.',
            self::Whole => 'Play from beginning to end without stopping; mark afterwards where you were not at ease.',
        };
    }

    /**
     * Whether a student who has little time can do without it.
     */
    public function isOptional(): bool
    {
        return ! in_array($this, [self::Differences, self::Together, self::Link, self::Line, self::Whole], true);
    }
}
