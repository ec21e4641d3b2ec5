<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Likeness;
use Tarnwind\Core\Reading\LikenessKind;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * Which notes of one hand are those of an earlier figure: bars that come again, or come again on keys that lie alike.
 */
final class Figures
{
    /**
     * @return list<array{Likeness, list<array{Note, Note}>}> each likeness with its notes, the earlier one first
     */
    public static function of(Score $score, Reading $reading): array
    {
        $bars = [];
        foreach ($score->notes as $note) {
            $bars[$reading->hands[$note->id]->value][$note->measure][] = $note;
        }
        $figures = [];
        foreach ($reading->likenesses as $likeness) {
            if ($likeness->kind === LikenessKind::Theme) {
                continue;
            }
            foreach ($likeness->hand === null ? Hand::cases() : [$likeness->hand] as $hand) {
                $pairs = [];
                for ($step = 0; $step < $likeness->length; $step++) {
                    $pairs = [...$pairs, ...self::pairs($bars[$hand->value][$likeness->like + $step] ?? [], $bars[$hand->value][$likeness->from + $step] ?? [], $likeness->kind)];
                }
                if ($pairs !== []) {
                    $figures[] = [$likeness, $pairs];
                }
            }
        }

        return $figures;
    }

    /**
     * The notes of two bars that go together; none where the keys lie otherwise.
     *
     * @param  list<Note>  $earlier
     * @param  list<Note>  $later
     * @return list<array{Note, Note}>
     */
    private static function pairs(array $earlier, array $later, LikenessKind $kind): array
    {
        if (count($earlier) !== count($later)) {
            return [];
        }
        $pairs = [];
        foreach ($later as $index => $note) {
            $other = $earlier[$index];
            $isAlike = $kind === LikenessKind::Transposed ? Grip::isBlack($note->midi) === Grip::isBlack($other->midi) : $note->midi === $other->midi;
            if (! $isAlike || ! $note->duration->equals($other->duration)) {
                return [];
            }
            $pairs[] = [$other, $note];
        }

        return $pairs;
    }
}
