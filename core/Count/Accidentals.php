<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;

/**
 * Notes likely to be misread, since an accidental lasts to the bar line and in its octave only.
 */
final class Accidentals
{
    /**
     * @param  list<Note>  $notes
     * @return list<Hazard>
     */
    public static function reminders(Score $score, array $notes): array
    {
        $found = [];
        /** @var array<string, array{int, Note}> $altered bar and note of the last alteration, by staff, letter and octave */
        $altered = [];
        $changed = self::changes($score);
        foreach ($notes as $note) {
            $pitch = $note->pitch;
            $place = "$note->staff/$pitch->step";
            $signature = self::signature($pitch, $score->measures[$note->measure]->fifths);
            [$bar, $before] = $altered["$place$pitch->octave"] ?? [null, null];
            $reason = null;
            if ($before !== null && $bar === $note->measure && $before->pitch->alter === $pitch->alter && ! $before->onset->equals($note->onset)) {
                $reason = "{$pitch->spokenName()} still: the accidental lasts to the bar line.";
            } elseif ($before !== null && $bar === $note->measure - 1 && $pitch->alter === $signature) {
                $reason = "{$pitch->spokenName()} again: the bar line has cancelled the {$before->pitch->spokenName()}.";
                unset($altered["$place$pitch->octave"]);
            } elseif ($pitch->alter === $signature) {
                foreach ([-1, 1] as $octaves) {
                    $other = $altered[$place.($pitch->octave + $octaves)] ?? null;
                    if ($other !== null && $other[0] === $note->measure) {
                        $reason = "{$pitch->spokenName()} here, though it is {$other[1]->pitch->spokenName()} in the other octave.";
                    }
                }
            }
            $newSignature = $changed[$note->measure] ?? null;
            if ($reason === null && $newSignature !== null && $pitch->alter === $signature && $signature !== self::signature($pitch, $newSignature)) {
                $reason = "{$pitch->spokenName()} now: the key signature has changed.";
            }
            if ($reason !== null) {
                $found["$note->measure $reason"] ??= new Hazard(HazardKind::Accidental, $note->onset, $note->measure, [$note->id], null, $reason);
            }
            if ($pitch->alter !== $signature) {
                $altered["$place$pitch->octave"] = [$note->measure, $note];
            }
        }

        return array_values($found);
    }

    /**
     * The signature before, for each bar in which a new one is still unwonted: the one it stands in and the next.
     *
     * @return array<int, int>
     */
    private static function changes(Score $score): array
    {
        $changes = [];
        foreach ($score->measures as $index => $measure) {
            $before = $score->measures[$index - 1] ?? null;
            if ($before !== null && $before->fifths !== $measure->fifths) {
                $changes[$index] = $changes[$index + 1] = $before->fifths;
            }
        }

        return $changes;
    }

    /**
     * The alteration that a key signature gives to a letter.
     */
    private static function signature(Pitch $pitch, int $fifths): int
    {
        $place = (new Pitch($pitch->step, 0, 4))->fifths();

        return (int) floor(($fifths + 5 - $place) / 7);
    }
}
