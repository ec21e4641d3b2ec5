<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Tells which hand plays what. A voice belongs to the hand of the staff on which most of it stands: what it carries
 * onto the other staff stays in that hand. What lies too wide apart for one hand goes to the other, if that one is free.
 */
final class HandReader
{
    /** Semitones one hand can be asked to strike together: a tenth [start]. */
    private const WIDEST = 16;

    /**
     * @return array<string, Hand> by note id
     */
    public static function read(Score $score): array
    {
        $home = self::homes($score->notes);
        $hands = [];
        foreach ($score->notes as $note) {
            $hands[$note->id] = $home[$note->voice][$note->measure] ?? self::of($note->staff);
        }
        foreach (self::struck($score->notes) as $notes) {
            self::share($notes, $hands);
        }

        return $hands;
    }

    /**
     * The hand of each voice that stands on both staves, by bar.
     *
     * @param  list<Note>  $notes
     * @return array<string, array<int, Hand>>
     */
    private static function homes(array $notes): array
    {
        $counts = $staves = $strokes = $chords = [];
        foreach ($notes as $note) {
            $counts[$note->voice][$note->staff] = ($counts[$note->voice][$note->staff] ?? 0) + 1;
            $staves[$note->voice][$note->measure][$note->staff] = true;
            $strokes["$note->voice/$note->onset"][] = $note;
        }
        foreach ($strokes as $stroke) {
            $on = array_unique(array_map(fn (Note $note): int => $note->staff, $stroke));
            if (count($stroke) > 1 && count($on) === 1) {
                $chords[$stroke[0]->voice][$stroke[0]->measure][$on[0]] = true;
            }
        }
        $homes = [];
        foreach ($staves as $voice => $bars) {
            arsort($counts[$voice]);
            $most = self::of((int) array_key_first($counts[$voice]));
            foreach ($bars as $bar => $on) {
                // Chords now on one staff and now on the other are for two hands, whatever their voice.
                if (count($on) > 1 && count($chords[$voice][$bar] ?? []) < 2) {
                    $homes[(string) $voice][$bar] = $most;
                }
            }
        }

        return $homes;
    }

    private static function of(int $staff): Hand
    {
        return $staff === 1 ? Hand::Right : Hand::Left;
    }

    /**
     * @param  list<Note>  $notes
     * @return array<string, non-empty-list<Note>> by onset, from low to high
     */
    private static function struck(array $notes): array
    {
        $struck = [];
        foreach ($notes as $note) {
            if (! $note->grace) {
                $struck[(string) $note->onset][] = $note;
            }
        }

        return $struck;
    }

    /**
     * @param  non-empty-list<Note>  $notes  struck together
     * @param  array<string, Hand>  $hands  by note id; changed where a hand would have to reach too far
     */
    private static function share(array $notes, array &$hands): void
    {
        foreach (Hand::cases() as $hand) {
            $own = array_values(array_filter($notes, fn (Note $note): bool => $hands[$note->id] === $hand));
            $others = array_values(array_filter($notes, fn (Note $note): bool => $hands[$note->id] !== $hand));
            usort($own, fn (Note $a, Note $b): int => $a->midi <=> $b->midi);
            // A rolled chord is written wider than a hand on purpose.
            $rolled = array_filter($own, fn (Note $note): bool => $note->has('arpeggiate')) !== [];
            while (! $rolled && count($own) > 1 && $own[count($own) - 1]->midi - $own[0]->midi > self::WIDEST) {
                $given = $hand === Hand::Left ? array_pop($own) : array_shift($own);
                $reach = [...array_map(fn (Note $note): int => $note->midi, $others), $given->midi];
                if (max($reach) - min($reach) > self::WIDEST) {
                    break;
                }
                $others[] = $given;
                $hands[$given->id] = $hand->other();
            }
        }
    }
}
