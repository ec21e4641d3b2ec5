<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * The chord qualities that are recognised, with their notes in semitones above the root.
 */
enum Quality: string
{
    case Major = 'major';
    case Minor = 'minor';
    case Diminished = 'diminished';
    case Augmented = 'augmented';
    case DominantSeventh = 'dominant-seventh';
    case MajorSeventh = 'major-seventh';
    case MinorSeventh = 'minor-seventh';
    case HalfDiminishedSeventh = 'half-diminished-seventh';
    case DiminishedSeventh = 'diminished-seventh';

    /**
     * @return non-empty-list<int>
     */
    public function intervals(): array
    {
        return match ($this) {
            self::Major => [0, 4, 7],
            self::Minor => [0, 3, 7],
            self::Diminished => [0, 3, 6],
            self::Augmented => [0, 4, 8],
            self::DominantSeventh => [0, 4, 7, 10],
            self::MajorSeventh => [0, 4, 7, 11],
            self::MinorSeventh => [0, 3, 7, 10],
            self::HalfDiminishedSeventh => [0, 3, 6, 10],
            self::DiminishedSeventh => [0, 3, 6, 9],
        };
    }

    /**
     * Steps on the line of fifths from the root to each chord note, for spelling: a major third is 4, a minor one −3.
     *
     * @return non-empty-list<int>
     */
    public function fifths(): array
    {
        return array_map(
            fn (int $interval): int => [0 => 0, 3 => -3, 4 => 4, 6 => -6, 7 => 1, 8 => 8, 9 => -9, 10 => -2, 11 => 5][$interval],
            $this->intervals(),
        );
    }

    public function hasMinorThird(): bool
    {
        return $this->intervals()[1] === 3;
    }

    public function isConsonant(): bool
    {
        return $this === self::Major || $this === self::Minor;
    }

    /**
     * What is added to a root name: "m" in "Em", "7" in "G7".
     */
    public function suffix(): string
    {
        return match ($this) {
            self::Major => '',
            self::Minor => 'm',
            self::Diminished => 'dim',
            self::Augmented => 'aug',
            self::DominantSeventh => '7',
            self::MajorSeventh => 'maj7',
            self::MinorSeventh => 'm7',
            self::HalfDiminishedSeventh => 'm7♭5',
            self::DiminishedSeventh => 'dim7',
        };
    }

    public function inWords(): string
    {
        return match ($this) {
            self::DominantSeventh => 'seventh',
            default => str_replace('-', ' ', $this->value),
        };
    }
}
