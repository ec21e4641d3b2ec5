<?php

declare(strict_types=1);

namespace Tarnwind\Core\Read;

use Tarnwind\Core\Performance\CorrectsReading;
use Tarnwind\Core\Plan\Mark;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Reading\Corrections;
use Tarnwind\Core\Reading\FixedHarmony;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Pitch;
use Tarnwind\Core\Score\Score;

/**
 * What the teacher reads otherwise than the program; what the score has no place for is left out.
 */
final class OwnReading implements CorrectsReading
{
    public function corrections(Score $written, Plan $plan): Corrections
    {
        $marks = array_filter($plan->marks, fn (Mark $mark): bool => $mark instanceof HarmonyMark || $mark instanceof BoundaryMark || $mark instanceof LayerMark || $mark instanceof HandMark);
        if ($marks === []) {
            return new Corrections;
        }
        $measures = array_column($written->measures, null, 'id');
        $notes = array_flip(array_map(fn (Note $note): string => $note->id, $written->notes));
        $known = fn (array $ids): array => array_filter($ids, fn (string $id): bool => isset($notes[$id]));
        $harmonies = $boundaries = $layers = $hands = [];
        foreach ($marks as $mark) {
            if ($mark instanceof HarmonyMark) {
                $from = $mark->from->onset($measures);
                $to = $mark->to->onset($measures);
                if ($from !== null && $to !== null && $from->isLessThan($to)) {
                    $harmonies[] = new FixedHarmony($from, $to, Pitch::fifthsOf($mark->root), $mark->quality, $mark->bass === null ? null : Pitch::fifthsOf($mark->bass));
                }
            } elseif ($mark instanceof BoundaryMark) {
                $at = $mark->at->onset($measures);
                if ($at !== null) {
                    $boundaries[(string) $at] = $mark->begins;
                }
            } elseif ($mark instanceof LayerMark) {
                $layers = array_replace($layers, array_fill_keys($known($mark->notes), $mark->layer));
            } elseif ($mark instanceof HandMark) {
                $hands = array_replace($hands, array_fill_keys($known($mark->notes), $mark->hand));
            }
        }

        return new Corrections(FixedHarmony::inOrder($harmonies), $boundaries, $layers, $hands);
    }
}
