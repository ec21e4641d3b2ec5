<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;

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
        $under = $sung = [];
        foreach ($performance->score()->notes as $note) {
            if ($note->grace) {
                continue;
            }
            if ($reading->layerOf($note) === Layer::Melody) {
                $sung[(string) $note->onset] = true;
            } else {
                $under[(string) $note->onset][] = $note->id;
            }
        }
        $entries = [];
        foreach (array_intersect_key($under, $sung) as $notes) {
            $less = min(self::MOST, self::EACH * (count($notes) - self::USUAL));
            foreach ($less > 0 ? $notes : [] as $id) {
                $entries[$id] = [LedgerEntry::lighter(sprintf('one of %d notes under the melody', count($notes)), $less)];
            }
        }

        return $entries;
    }
}
