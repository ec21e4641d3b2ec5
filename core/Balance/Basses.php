<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;

/**
 * Tells basses apart: one that carries chords which move with the tune is near it, the lowest note of a close chord in one hand
 * goes with its chord [trade; dB start].
 */
final class Basses implements LevelHabit
{
    private const CARRIES = 1.5;

    private const OF_A_CHORD = 1.5;

    /** So many notes over it in its hand, within so many semitones, are a close chord. */
    private const LEAST = 2;

    private const CLOSE = 12;

    public function entries(Performance $performance): array
    {
        $reading = $performance->reading();
        $entries = [];
        foreach ($performance->part(StruckTogether::class)->all as $notes) {
            $basses = $others = [];
            $isSung = false;
            foreach ($notes as $note) {
                match ($reading->layerOf($note)) {
                    Layer::Bass => $basses[] = $note,
                    Layer::Melody => $isSung = true,
                    default => $others[] = $note,
                };
            }
            foreach ($basses as $bass) {
                $chord = array_filter([...$basses, ...$others], fn (Note $note): bool => $note->staff === $bass->staff && $note->midi > $bass->midi);
                $isClose = count($chord) >= self::LEAST && max(array_map(fn (Note $note): int => $note->midi, $chord)) - $bass->midi <= self::CLOSE;
                if ($isClose) {
                    $entries[$bass->id] = [new LedgerEntry('lowest of a close chord: goes with it', -self::OF_A_CHORD)];
                } elseif ($isSung && ($reading->textures[$bass->measure] ?? null) === BarTexture::BlockChords) {
                    $entries[$bass->id] = [new LedgerEntry('the bass carries the chords', self::CARRIES)];
                }
            }
        }

        return $entries;
    }
}
