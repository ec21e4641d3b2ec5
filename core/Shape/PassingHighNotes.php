<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape;

use Tarnwind\Core\Performance\LedgerEntry;
use Tarnwind\Core\Performance\LevelHabit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;

/**
 * Holds back a high note in passing: it is not louder only for being high [trade; dB start].
 */
final class PassingHighNotes implements LevelHabit
{
    private const HELD_BACK = 1.3;

    /** Semitones above both its neighbours from which it sticks out [start]. */
    private const ABOVE = 2;

    public function entries(Performance $performance): array
    {
        $manners = Manners::of($performance);
        $entries = [];
        foreach (self::find($performance) as $note) {
            if ($manners->at($note->onset)->high === HighNotes::Held) {
                $entries[$note->id] = [new LedgerEntry('high in passing: held back', -self::HELD_BACK)];
            }
        }

        return $entries;
    }

    /**
     * Notes higher than both their neighbours, no longer than they, on no first beat, and no goal.
     *
     * @return list<Note>
     */
    public static function find(Performance $performance): array
    {
        $line = $performance->part(Line::class)->all;
        $reading = $performance->reading();
        $found = [];
        foreach ($line as $place => [$note, $arc]) {
            [$before, $after] = [$line[$place - 1][0] ?? null, $line[$place + 1][0] ?? null];
            if ($reading->layerOf($note) !== Layer::Melody || $before === null || $after === null || $note === $arc->goal || ! $arc->phrase->holds($before->onset) || ! $arc->phrase->holds($after->onset)) {
                continue;
            }
            $measure = $performance->written->measures[$note->measure];
            $isLight = $measure->time->weightAt($note->onset->minus($measure->beatOrigin())) < 0.75;
            $isShort = ! $before->duration->isLessThan($note->duration) && ! $after->duration->isLessThan($note->duration);
            if ($isLight && $isShort && $note->midi - max($before->midi, $after->midi) >= self::ABOVE) {
                $found[] = $note;
            }
        }

        return $found;
    }
}
