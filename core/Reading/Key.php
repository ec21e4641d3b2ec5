<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Pitch;

/**
 * A major or minor key.
 */
final readonly class Key
{
    /** Scale degrees by distance from the tonic on the line of fifths, as [alteration, degree]. */
    private const MAJOR = [
        0 => ['', 'I'], 1 => ['', 'V'], 2 => ['', 'II'], 3 => ['', 'VI'], 4 => ['', 'III'], 5 => ['', 'VII'], -1 => ['', 'IV'],
        -2 => ['♭', 'VII'], -3 => ['♭', 'III'], -4 => ['♭', 'VI'], -5 => ['♭', 'II'], -6 => ['♭', 'V'],
        6 => ['♯', 'IV'], 7 => ['♯', 'I'], 8 => ['♯', 'V'], 9 => ['♯', 'II'],
    ];

    private const MINOR = [
        0 => ['', 'I'], 1 => ['', 'V'], 2 => ['', 'II'], -1 => ['', 'IV'], -2 => ['', 'VII'], -3 => ['', 'III'], -4 => ['', 'VI'],
        -5 => ['♭', 'II'], -6 => ['♭', 'V'], 3 => ['♯', 'VI'], 4 => ['♯', 'III'], 5 => ['♯', 'VII'], 6 => ['♯', 'IV'],
    ];

    /**
     * @param  int  $tonic  place of the tonic's name on the line of fifths
     */
    public function __construct(
        public int $tonic,
        public bool $minor,
    ) {
    }

    public function mode(): string
    {
        return $this->minor ? 'minor' : 'major';
    }

    public function tonicName(): string
    {
        return Pitch::nameAtFifths($this->tonic);
    }

    /**
     * Whether a name belongs to the key; in minor the raised sixth and seventh do too.
     */
    public function has(int $fifths): bool
    {
        $distance = $fifths - $this->tonic;

        return $this->minor
            ? ($distance >= -4 && $distance <= 2) || $distance === 3 || $distance === 5
            : $distance >= -1 && $distance <= 5;
    }

    /**
     * @return array<int, bool> by pitch class, whether it belongs to the key
     */
    public function scale(): array
    {
        $scale = array_fill(0, 12, false);
        for ($fifths = $this->tonic - 4; $fifths <= $this->tonic + 5; $fifths++) {
            if ($this->has($fifths)) {
                $scale[(($fifths * 7) % 12 + 12) % 12] = true;
            }
        }

        return $scale;
    }

    /**
     * The name of a pitch class that is nearest to this key on the line of fifths.
     */
    public function spell(int $pitchClass): int
    {
        $centre = $this->tonic + ($this->minor ? 0 : 2);
        $fifths = ($pitchClass * 7) % 12;

        return $fifths + 12 * (int) round(($centre - $fifths) / 12);
    }

    /**
     * The roman numeral of a chord: case for its third, ° ø + for its fifth, figures for inversion.
     */
    public function numeral(int $root, Quality $quality, int $inversion): string
    {
        [$alteration, $degree] = ($this->minor ? self::MINOR : self::MAJOR)[$root - $this->tonic] ?? ['', '?'];
        if ($this->minor && $alteration === '♯' && $degree === 'VII') {
            $alteration = '';
        }
        $degree = $quality->hasMinorThird() ? strtolower($degree) : $degree;

        return $alteration.$degree.self::figures($quality, $inversion);
    }

    public function inWords(): string
    {
        return Pitch::spoken($this->tonicName())." {$this->mode()}";
    }

    public function __toString(): string
    {
        return "{$this->tonicName()} {$this->mode()}";
    }

    private static function figures(Quality $quality, int $inversion): string
    {
        $sign = match ($quality) {
            Quality::Diminished, Quality::DiminishedSeventh => '°',
            Quality::HalfDiminishedSeventh => 'ø',
            Quality::Augmented => '+',
            Quality::MajorSeventh => 'maj',
            default => '',
        };

        return $sign.(count($quality->intervals()) === 4 ? ['7', '65', '43', '42'] : ['', '6', '64', ''])[$inversion];
    }
}
