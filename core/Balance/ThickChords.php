<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;

/**
 * Makes chords under the melody lighter the more notes they have: many together are loud by themselves [trade; values start].
 */
final class ThickChords implements LevelHabit
{
    /** So many notes under a note of the melody are usual. */
    private const USUAL = 2;

    /** dB for each further one, and in all. */
    private const EACH = 0.5;

    private const MOST = 1.5;

    public function entries(Performance $performance): array
    {
        $reading = $performance->reading();
        $entries = [];
        foreach ($performance->part(StruckTogether::class)->all as $notes) {
            $under = array_filter($notes, fn (Note $note): bool => $reading->layerOf($note) !== Layer::Melody);
            $less = count($under) === count($notes) ? 0.0 : min(self::MOST, self::EACH * (count($under) - self::USUAL));
            foreach ($less > 0 ? $under : [] as $note) {
                $entries[$note->id] = [LedgerEntry::lighter(sprintf('one of %d notes under the melody', count($under)), $less)];
            }
        }

        return $entries;
    }
}
