<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Tells which chords have an added note: one that neither passes nor leans but stays, and so belongs to them.
 */
final readonly class AddedNotes
{
    /** Share of the harmony for which it must sound [start]. */
    private const SHARE = 0.75;

    /**
     * @param  list<Harmony>  $harmonies
     * @param  list<NonChordNote>  $outside
     * @return list<Harmony>
     */
    public static function find(Score $score, array $harmonies, array $outside): array
    {
        $notes = [];
        foreach ($score->notes as $note) {
            $notes[$note->id] = $note;
        }
        $free = [];
        foreach ($outside as $one) {
            if ($one->kind === NonChordKind::Free) {
                $free[$one->harmony][] = $notes[$one->note];
            }
        }
        foreach ($free as $index => $added) {
            $harmony = $harmonies[$index];
            $beat = $score->measureAt($harmony->from)->time->beat();
            if (! $harmony->to->minus($harmony->from)->isLessThan($beat)) {
                $harmonies[$index] = $harmony->withAdded(self::most($harmony, $added));
            }
        }

        return array_values($harmonies);
    }

    /**
     * @param  list<Note>  $notes  free in the harmony
     */
    private static function most(Harmony $harmony, array $notes): ?AddedNote
    {
        [$from, $to] = [$harmony->from->toFloat(), $harmony->to->toFloat()];
        $root = $harmony->pitchClasses()[0];
        $sounds = [];
        foreach ($notes as $note) {
            $interval = ($note->midi % 12 + 12 - $root) % 12;
            $sounds[$interval] = ($sounds[$interval] ?? 0.0) + min($to, $note->end()->toFloat()) - max($from, $note->onset->toFloat());
        }
        $longest = max([0.0, ...$sounds]);
        $interval = (int) array_search($longest, $sounds, true);
        $hasThird = in_array($harmony->root + $harmony->quality->fifths()[1], $harmony->names, true);

        return $longest >= self::SHARE * ($to - $from) ? AddedNote::of($harmony->quality, $interval, $hasThird) : null;
    }
}
