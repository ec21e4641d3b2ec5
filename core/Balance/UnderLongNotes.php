<?php

declare(strict_types=1);

namespace Tarnwind\Core\Balance;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Search;

/**
 * Lets what goes along fade under a long note of the melody, as that fades [trade].
 */
final class UnderLongNotes implements LevelHabit
{
    /** Seconds from which a note is long [start]. */
    private const LONG = 1.0;

    /** Share of the dB that the note has lost, and dB in all [start]. */
    private const SHARE = 0.3;

    private const MOST = 4.5;

    public function entries(Performance $performance): array
    {
        $tempo = $performance->tempo();
        $decay = $performance->student->piano->acoustics()->decay;
        $layers = $performance->reading()->layers;
        $isLayer = fn (string $id, Layer $layer): bool => ($layers[$id] ?? null)?->layer === $layer;
        $notes = $performance->score()->notes;
        $entries = [];
        foreach ($notes as $long) {
            $from = $tempo->seconds($long->onset);
            if ($long->grace || ! $isLayer($long->id, Layer::Melody) || $tempo->seconds($long->end()) - $from < self::LONG) {
                continue;
            }
            for ($place = Search::last(count($notes), fn (int $index): bool => ! $long->onset->isLessThan($notes[$index]->onset)) + 1; isset($notes[$place]) && $notes[$place]->onset->isLessThan($long->end()); $place++) {
                $note = $notes[$place];
                if ($isLayer($note->id, Layer::Melody) || $isLayer($note->id, Layer::Bass)) {
                    continue;
                }
                $less = min(self::MOST, self::SHARE * $decay->attenuation($long->midi, $tempo->seconds($note->onset) - $from));
                $entries[$note->id] = [LedgerEntry::lighter(sprintf('under %s, which fades', $long->inWords()), $less)];
            }
        }

        return $entries;
    }
}
