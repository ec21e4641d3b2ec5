<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\KeyArea;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Reading\NonChordKind;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Shape\Arcs;
use Tarnwind\Core\Tempo\Bend;
use Tarnwind\Core\Tempo\BendKind;

/**
 * Notes that are given time: an agogic accent on the climax, on a suspension or an appoggiatura, on a change of mode [trade].
 */
final class Leans
{
    /**
     * Those of a school.
     *
     * @param  float  $longer  share of the note
     * @return list<Bend>
     */
    public static function of(Performance $performance, float $longer): array
    {
        [$score, $reading] = [$performance->score(), $performance->reading()];
        $reasons = [];
        foreach ($performance->part(Arcs::class)->all as $arc) {
            if ($arc->isClimax && $arc->goal !== null) {
                $reasons[$arc->goal->id] = 'the climax is given time';
            }
        }
        foreach ($reading->nonChordNotes as $one) {
            if ($one->kind === NonChordKind::Suspension || $one->kind === NonChordKind::Appoggiatura) {
                $reasons[$one->note] = "a {$one->kind->inWords()} is leaned on";
            }
        }
        $changes = self::changesOfMode($reading->keys);
        $bends = [];
        foreach ($score->notes as $note) {
            $isMelody = $reading->layerOf($note) === Layer::Melody;
            $reason = $reasons[$note->id] ?? null;
            if ($isMelody && isset($changes[(string) $note->onset])) {
                [$reason, $changes[(string) $note->onset]] = [$changes[(string) $note->onset], null];
            }
            $beat = $score->measures[$note->measure]->time->beat();
            if ($isMelody && $reason !== null && ! $note->grace && ! $note->duration->isLessThan($beat)) {
                $bends[] = self::bend($score, $note, $longer, $reason);
            }
        }

        return $bends;
    }

    /**
     * The teacher's.
     *
     * @param  list<LeanMark>  $marks
     * @return list<Bend>
     */
    public static function own(array $marks, Score $score): array
    {
        $asked = $bends = [];
        foreach ($marks as $mark) {
            $asked += array_fill_keys($mark->notes, $mark);
        }
        foreach ($asked === [] ? [] : $score->notes as $note) {
            // A chord is given its time once.
            if (isset($asked[$note->id]) && ! $note->grace) {
                $bends[(string) $note->onset] ??= self::bend($score, $note, $asked[$note->id]->longer, "{$note->inWords()} is given time", $asked[$note->id]->id);
            }
        }

        return array_values($bends);
    }

    private static function bend(Score $score, Note $note, float $longer, string $reason, ?string $mark = null): Bend
    {
        $from = $note->onset->toFloat();

        return new Bend($from, $from + min($note->duration->toFloat(), $score->measures[$note->measure]->time->beat()->toFloat()), 1 + $longer, BendKind::Lean, $reason, $mark);
    }

    /**
     * @param  list<KeyArea>  $keys
     * @return array<string, string> what is said of it, by the place at which the mode changes over the same tonic
     */
    private static function changesOfMode(array $keys): array
    {
        $changes = [];
        foreach ($keys as $index => $area) {
            $before = $keys[$index - 1] ?? null;
            if ($before !== null && $before->key->tonicName() === $area->key->tonicName() && $before->key->mode() !== $area->key->mode()) {
                $changes[(string) $area->from] = "the change to {$area->key->mode()} is given time";
            }
        }

        return $changes;
    }
}
