<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\ShapesNotes;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Score\Slur;

/**
 * Plays slurs as the teacher has them, and holds keys on that she wants held.
 */
final class SlursAndHolds implements ShapesNotes
{
    /** Keys held on end at the latest so many quarters after their written end; a longer hold is the pedal's. */
    private const LONGEST_HOLD = 64;

    public function notes(Score $score, Plan $plan): Score
    {
        $slurs = $plan->marksOf(SlurMark::class);
        $holds = $plan->marksOf(HoldMark::class);

        return $slurs === [] && $holds === [] ? $score : $score->with(self::held($score, $holds), self::slurs($score, $slurs));
    }

    /**
     * @param  list<HoldMark>  $holds
     * @return list<Note>
     */
    private static function held(Score $score, array $holds): array
    {
        $measures = array_column($score->measures, null, 'id');
        $until = [];
        foreach ($holds as $mark) {
            $until[$mark->note] = $mark->until->onset($measures);
        }
        $longest = Fraction::of(self::LONGEST_HOLD);

        return array_map(function (Note $note) use ($until, $longest): Note {
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
