<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use Tarnwind\Core\Hand\OctaveMark;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Slur;
use Tarnwind\Core\Touch\HoldMark;
use Tarnwind\Core\Touch\SlurMark;

/**
 * The score as a plan has it played.
 */
final class Played
{
    /** Keys held on end at the latest so many quarters after their written end; a longer hold is the pedal's. */
    private const LONGEST_HOLD = 64;

    public static function of(Score $score, Plan $plan): Score
    {
        $slurs = $plan->marksOf(SlurMark::class);
        $holds = $plan->marksOf(HoldMark::class);
        $octaves = $plan->marksOf(OctaveMark::class);
        if ($slurs === [] && $holds === [] && $octaves === []) {
            return $score;
        }

        return $score->with(self::notes($score, $holds, $octaves), self::slurs($score, $slurs));
    }

    /**
     * @param  list<HoldMark>  $holds
     * @param  list<OctaveMark>  $octaves
     * @return list<Note>
     */
    private static function notes(Score $score, array $holds, array $octaves): array
    {
        $measures = array_column($score->measures, null, 'id');
        $until = $moved = [];
        foreach ($holds as $mark) {
            $until[$mark->note] = $mark->until->onset($measures);
        }
        foreach ($octaves as $mark) {
            $moved = array_replace($moved, array_fill_keys($mark->notes, $mark->octaves));
        }
        $longest = Fraction::of(self::LONGEST_HOLD);

        return array_map(function (Note $note) use ($until, $moved, $longest): Note {
            $note = isset($moved[$note->id]) ? $note->octavesUp($moved[$note->id]) : $note;
            $end = $until[$note->id] ?? null;

            return $end !== null && ! $note->grace && $note->end()->isLessThan($end) && $end->isLessThan($note->end()->plus($longest)) ? $note->heldUntil($end) : $note;
        }, $score->notes);
    }

    /**
     * @param  list<SlurMark>  $marks
     * @return list<Slur>
     */
    private static function slurs(Score $score, array $marks): array
    {
        $places = array_flip(array_map(fn (Note $note): string => $note->id, $score->notes));
        $slurs = [];
        foreach ($score->slurs as $slur) {
            $slurs["$slur->from $slur->to"] = $slur;
        }
        foreach ($marks as $mark) {
            unset($slurs["$mark->from $mark->to"]);
            $from = $places[$mark->from] ?? null;
            $to = $places[$mark->to] ?? null;
            if ($mark->drawn && $from !== null && $to !== null && $score->notes[$from]->onset->isLessThan($score->notes[$to]->onset)) {
                $slurs["$mark->from $mark->to"] = new Slur($mark->from, $mark->to);
            }
        }

        return array_values($slurs);
    }
}
