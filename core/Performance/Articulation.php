<?php

declare(strict_types=1);

namespace Tarnwind\Core\Performance;

/**
 * How a note is struck and left. Shares of the written length are starting values [start], close to what is taught:
 * legato whole, non-legato 85 %, portato 75 %, staccato half, staccatissimo a quarter; tenuto whole, with weight;
 * marcato with a hair of air before the next note.
 */
enum Articulation: string
{
    case Legato = 'legato';
    case Tenuto = 'tenuto';
    case Marcato = 'marcato';
    case NonLegato = 'non-legato';
    case Portato = 'portato';
    case Staccato = 'staccato';
    case Staccatissimo = 'staccatissimo';

    public function share(): float
    {
        return match ($this) {
            self::Legato, self::Tenuto => 1.0,
            self::Marcato => 0.9,
            self::NonLegato => 0.85,
            self::Portato => 0.75,
            self::Staccato => 0.5,
            self::Staccatissimo => 0.25,
        };
    }

    /**
     * The names of MusicXML's articulations that write it; none where there is no sign for it, but a word.
     *
     * @return list<string>
     */
    public function signs(): array
    {
        return match ($this) {
            self::Legato, self::NonLegato, self::Marcato => [],
            self::Portato => ['detached-legato'],
            default => [$this->value],
        };
    }

    public function isShort(): bool
    {
        return $this === self::Staccato || $this === self::Staccatissimo;
    }
}
