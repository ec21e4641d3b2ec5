<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Pitch;

/**
 * A major or minor key.
 */
final readonly class Key
{
    /** Degrees in the order of fifths, from the fourth. */
    private const DEGREES = ['IV', 'I', 'V', 'II', 'VI', 'III', 'VII'];

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
                $scale[Pitch::classAtFifths($fifths)] = true;
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
        // The scale is seven places on the line of fifths, from the fourth degree, in minor from the sixth; beyond it degrees are altered.
        $place = $root - $this->tonic;
        $altered = (int) floor(($place - ($this->minor ? -4 : -1)) / 7);
        $degree = self::DEGREES[(($place + 1) % 7 + 7) % 7];
        $alteration = str_repeat($altered < 0 ? '♭' : '♯', abs($altered));
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
