<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\PrintedDynamics;

/**
 * Lets a note after a long one join the level to which that has decayed: struck as loud as it, it would bump [trade].
 */
final class AfterLongNotes implements LevelHabit
{
    /** Seconds from which a note is long [start]. */
    public const LONG = 1.2;

    /** Share of the dB that the long note has lost, and dB in all: the ear takes most of the loss for granted [start]. */
    private const SHARE = 0.11;

    private const MOST = 2.8;

    /** Of which the second note after it still has so much. */
    private const SECOND = 0.5;

    public function entries(Performance $performance): array
    {
        $tempo = $performance->tempo();
        $decay = $performance->student->piano->acoustics()->decay;
        $printed = $performance->dynamics();
        $line = $performance->part(Line::class)->all;
        $struck = [];
        foreach ($performance->score()->notes as $note) {
            $struck[(string) $note->onset][] = $note->id;
        }
        $entries = [];
        foreach ($line as $place => [$note, $arc]) {
            $seconds = $tempo->seconds($note->end()) - $tempo->seconds($note->onset);
            if ($seconds < self::LONG) {
                continue;
            }
            // One that has joined the note before it is softer already.
            $less = min(self::MOST, self::SHARE * $decay->attenuation($note->midi, $seconds)) - self::SECOND * array_sum(array_map(fn (LedgerEntry $entry): float => $entry->value, $entries[$note->id] ?? []));
            $from = $note;
            foreach ([1.0, self::SECOND] as $step => $share) {
                [$next, $itsArc] = $line[$place + 1 + $step] ?? [null, null];
                // A new phrase, a goal, an accent or a dynamic speaks for itself.
                if ($next === null || $itsArc !== $arc || $next === $arc->goal || ! $next->onset->equals($from->end()) || $printed->changesAt($next->onset)
                    || $printed->at($next->staff, $next->onset) > $printed->at($note->staff, $note->onset) + PrintedDynamics::SAME || $next->has('accent') || $next->has('strong-accent')) {
                    break;
                }
                // What is struck with it goes along.
                foreach ($struck[(string) $next->onset] as $id) {
                    $entries[$id] = [new LedgerEntry(sprintf('joins %s, which has faded', $note->inWords()), -$share * $less)];
                }
                $from = $next;
                if ($tempo->seconds($next->end()) - $tempo->seconds($next->onset) >= self::LONG) {
                    break;
                }
            }
        }

        return $entries;
    }
}
