<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

/**
 * What the notes of a bar do together.
 */
enum BarTexture: string
{
    case Silence = 'silence';
    case SingleLine = 'single-line';
    case Unison = 'unison';
    case Octaves = 'octaves';
    case BlockChords = 'block-chords';
    case BassChordChord = 'bass-chord-chord';
    case BrokenChords = 'broken-chords';
    case MelodyAndAccompaniment = 'melody-and-accompaniment';
    case Counterpoint = 'counterpoint';

    public function inWords(): string
    {
        return match ($this) {
            self::MelodyAndAccompaniment => 'melody and accompaniment',
            self::BassChordChord => 'bass, chord, chord',
            default => str_replace('-', ' ', $this->value),
        };
    }

    /**
     * The share of the bars that sound which have this texture; 0 where nothing sounds.
     *
     * @param  list<self>  $textures
     */
    public function share(array $textures): float
    {
        $sounding = array_filter($textures, fn (self $texture): bool => $texture !== self::Silence);

        return $sounding === [] ? 0.0 : count(array_filter($sounding, fn (self $texture): bool => $texture === $this)) / count($sounding);
    }
}
