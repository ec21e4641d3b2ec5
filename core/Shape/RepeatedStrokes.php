<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Voices;

/**
 * Lets repeated notes lead away from the first or on to what follows: never all alike, unless the teacher wants that [trade].
 */
final class RepeatedStrokes implements LevelHabit
{
    /** So many strokes of one key are a repetition. */
    private const LEAST = 3;

    /** dB from stroke to stroke, and in all [start]. */
    private const STEP = 0.5;

    private const MOST = 2.2;

    public function entries(Performance $performance): array
    {
        $manners = Manners::of($performance);
        $entries = [];
        foreach (self::groups($performance) as $group) {
            $choice = $manners->at($group[0]->onset)->repeated;
            $last = count($group) - 1;
            foreach ($choice === RepeatedNotes::Stay ? [] : $group as $place => $note) {
                $steps = $choice === RepeatedNotes::Fade ? $place : $last - $place;
                if ($steps > 0) {
                    $entries[$note->id] = [LedgerEntry::lighter($choice === RepeatedNotes::Fade ? 'a repeated note falls off' : 'repeated notes grow', min(self::MOST, self::STEP * $steps))];
                }
            }
        }

        return $entries;
    }

    /**
     * The same keys struck again and again by one voice.
     *
     * @return list<non-empty-list<Note>>
     */
    public static function groups(Performance $performance): array
    {
        $score = $performance->score();
        $voices = Voices::of($score);
        $groups = $seen = [];
        foreach ($score->notes as $note) {
            if ($note->grace || isset($seen[$note->id])) {
                continue;
            }
            $group = [$note];
            for ($next = self::again($voices, $note); $next !== null; $next = self::again($voices, $next)) {
                $group[] = $next;
                $seen[$next->id] = true;
            }
            if (count($group) >= self::LEAST) {
                $groups[] = $group;
            }
        }

        return $groups;
    }

    private static function again(Voices $voices, Note $note): ?Note
    {
        foreach ($voices->next($note) as $next) {
            if ($next->midi === $note->midi && $next->onset->equals($note->end())) {
                return $next;
            }
        }

        return null;
    }
}
