<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * What a chord has besides its own notes for nearly as long as it lasts, and what stands in place of its third.
 */
enum AddedNote: string
{
    case Ninth = 'ninth';
    case FlatNinth = 'flat-ninth';
    case AddedNinth = 'added-ninth';
    case Sixth = 'sixth';
    case SuspendedFourth = 'suspended-fourth';

    /**
     * @param  int  $interval  semitones above the root, within the octave
     * @param  bool  $hasThird  whether the chord's third sounds
     */
    public static function of(Quality $quality, int $interval, bool $hasThird): ?self
    {
        $isDominant = $quality === Quality::DominantSeventh;

        return match (true) {
            $interval === 5 && ! $hasThird && ($isDominant || $quality->isConsonant()) => self::SuspendedFourth,
            ! $hasThird => null,
            $interval === 1 && $isDominant => self::FlatNinth,
            $interval === 2 && ($isDominant || $quality === Quality::MinorSeventh || $quality === Quality::MajorSeventh) => self::Ninth,
            $interval === 2 && $quality->isConsonant() => self::AddedNinth,
            $interval === 9 && $quality->isConsonant() => self::Sixth,
            default => null,
        };
    }

    /**
     * The suffix of a chord with it, made of the chord's own: "9" of "7", "m6" of "m".
     */
    public function suffixOf(string $suffix): string
    {
        return match ($this) {
            self::Ninth => str_replace('7', '9', $suffix),
            self::FlatNinth => "{$suffix}♭9",
            self::AddedNinth => "{$suffix}add9",
            self::Sixth => "{$suffix}6",
            // Neither major nor minor without its third.
            self::SuspendedFourth => str_replace('m', '', $suffix).'sus4',
        };
    }

    public function inWords(): string
    {
        return match ($this) {
            self::Ninth => 'with its ninth',
            self::FlatNinth => 'with a flat ninth',
            self::AddedNinth => 'with an added ninth',
            self::Sixth => 'with an added sixth',
            self::SuspendedFourth => 'with a fourth in place of its third',
        };
    }
}
