<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Simulation;

/**
 * What a simulated pianist can be made to do wrong.
 */
enum FaultKind: string
{
    case LateFoot = 'late-foot';
    case EarlyFoot = 'early-foot';
    case HeldFoot = 'held-foot';
    case BassLetGo = 'bass-let-go';
    case LoudFilling = 'loud-filling';
    case Flat = 'flat';
    case Rushed = 'rushed';
    case ShortRests = 'short-rests';
    case Uneven = 'uneven';
    case Waits = 'waits';
    case LongStaccato = 'long-staccato';
    case WrongNotes = 'wrong-notes';
    case MissingNotes = 'missing-notes';
    case ExtraNotes = 'extra-notes';
    case Restarts = 'restarts';

    /**
     * How much of it where nothing is said: what a listener notices [start].
     */
    public function amount(): float
    {
        return match ($this) {
            // Milliseconds.
            self::LateFoot => 260.0, self::EarlyFoot => 260.0, self::Waits => 700.0, self::BassLetGo => 70.0,
            // dB.
            self::LoudFilling => 6.0,
            // Shares: of the shape that is lost, of the time that is cut, of the time between two notes, of the written length.
            self::Flat => 1.0, self::Rushed => 0.28, self::ShortRests => 0.6, self::Uneven => 0.5, self::LongStaccato => 1.0,
            // Shares of the notes.
            self::WrongNotes, self::MissingNotes, self::ExtraNotes => 0.03,
            // Times.
            self::Restarts => 1.0, self::HeldFoot => 1.0,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::LateFoot => 'Foot late',
            self::EarlyFoot => 'Foot early',
            self::HeldFoot => 'Pedal never lifted',
            self::BassLetGo => 'Bass let go',
            self::LoudFilling => 'Filling too loud',
            self::Flat => 'Phrases flat',
            self::Rushed => 'Rushed',
            self::ShortRests => 'Rests cut short',
            self::Uneven => 'Runs uneven',
            self::Waits => 'Waits before bars',
            self::LongStaccato => 'Staccato held',
            self::WrongNotes => 'Wrong notes',
            self::MissingNotes => 'Missing notes',
            self::ExtraNotes => 'Extra notes',
            self::Restarts => 'Stops and begins again',
        };
    }
}
