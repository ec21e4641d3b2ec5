<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\FingerPlanner;
use Tarnwind\Core\Hand\Grip;
use Tarnwind\Core\Hand\Spans;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Note;

/**
 * Chords beyond a student's reach, or held as they are fingered only by force, with what helps.
 */
final class Reaching
{
    private const INTERVALS = [8 => 'a small sixth', 9 => 'a sixth', 10 => 'a small seventh', 11 => 'a seventh', 12 => 'an octave', 13 => 'a small ninth', 14 => 'a ninth', 15 => 'a small tenth', 16 => 'a tenth', 17 => 'an eleventh', 19 => 'a twelfth', 24 => 'two octaves'];

    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        $findings = [];
        foreach (Hand::cases() as $hand) {
            $spans = new Spans($assignment->hands->reach($hand));
            foreach ($assignment->fingering->grips[$hand->value] as $place => $grip) {
                $struck = $grip->struck();
                if (count($struck) < 2 || $struck[0]->has('arpeggiate')) {
                    continue;
                }
                $findings[] = self::beyond($assignment, $hand, $struck)
                    ?? self::forced($assignment, $hand, $grip, $struck, $assignment->fingering->taken[$hand->value][$place], $spans);
            }
        }

        return array_values(array_filter($findings));
    }

    /**
     * @param  non-empty-list<Note>  $struck  from the thumb outwards
     */
    private static function beyond(Assignment $assignment, Hand $hand, array $struck): ?Finding
    {
        $reach = $assignment->hands->reach($hand);
        $ends = [$struck[0], $struck[count($struck) - 1]];
        usort($ends, fn (Note $a, Note $b): int => $a->midi <=> $b->midi);
        $span = $ends[1]->midi - $ends[0]->midi;
        if ($span <= $reach->comfortable) {
            return null;
        }
        $isBeyond = $span > $reach->largest;
        [$words, $remedy] = self::help($assignment, $struck);

        return Finding::about(
            $struck, FindingKind::BeyondReach, $isBeyond ? Severity::Warning : Severity::Hint, $span, $isBeyond ? $reach->largest : $reach->comfortable, Unit::Semitones,
            $ends[0]->inWords().' to '.$ends[1]->inWords().' is '.self::interval($span).', '.($isBeyond ? 'beyond the largest reach' : 'beyond the comfortable reach')." of this $hand->value hand ("
            .self::interval($isBeyond ? $reach->largest : $reach->comfortable)."): $words. Do not force the span.",
            $remedy,
        );
    }

    /**
     * What helps with a chord that is too wide: the other hand, a doubled note left out, or rolling it.
     *
     * @param  non-empty-list<Note>  $struck  from the thumb outwards
     * @return array{string, ?Remedy}
     */
    private static function help(Assignment $assignment, array $struck): array
    {
        $offer = $assignment->redistribution()->offer($struck[0]);
        if ($offer !== null && $offer->refusal === null) {
            return [$offer->inWords(), $offer->remedy()];
        }
        $refused = $offer === null ? '' : "; {$offer->inWords()}";
        // The outer notes are heard as melody and bass: rather an inner one is left out, then the thumb's.
        foreach ([...array_slice($struck, 1, -1), $struck[0]] as $note) {
            $doubles = array_filter($struck, fn (Note $other): bool => $other !== $note && $other->midi % 12 === $note->midi % 12);
            if ($doubles !== []) {
                return [self::roll($assignment, $struck).', or leave out '.$note->inWords().', which is doubled'.$refused, null];
            }
        }

        return [self::roll($assignment, $struck).$refused, null];
    }

    /**
     * How to roll it: so that the melody, or else the bass, comes on the beat; a low bass can be caught with the pedal.
     *
     * @param  non-empty-list<Note>  $struck
     */
    private static function roll(Assignment $assignment, array $struck): string
    {
        usort($struck, fn (Note $a, Note $b): int => $a->midi <=> $b->midi);
        $layer = fn (Note $note): ?Layer => ($assignment->reading->layers[$note->id] ?? null)?->layer;
        $top = $struck[count($struck) - 1];

        return match (true) {
            $layer($top) === Layer::Melody => 'roll it upwards before the beat, so that '.$top->inWords().' comes on it',
            $layer($struck[0]) === Layer::Bass => 'roll it upwards from the beat, or catch '.$struck[0]->inWords().' with the pedal and play the rest just after',
            default => 'roll it upwards from the beat',
        };
    }

    /**
     * A chord the hand could take, but not with the fingers that are asked for.
     *
     * @param  non-empty-list<Note>  $struck
     * @param  list<int>  $fingers
     */
    private static function forced(Assignment $assignment, Hand $hand, Grip $grip, array $struck, array $fingers, Spans $spans): ?Finding
    {
        if (FingerPlanner::reaches($grip, $fingers, $spans)) {
            return null;
        }

        return Finding::about(
            $struck, FindingKind::Stretch, Severity::Warning, $grip->span(), $assignment->hands->reach($hand)->largest, Unit::Semitones,
            'The fingers '.implode(' ', $fingers)." do not lie on these keys with this $hand->value hand.",
            $assignment->fingering->freeing(...$struck),
        );
    }

    private static function interval(int $semitones): string
    {
        return self::INTERVALS[$semitones] ?? "$semitones semitones";
    }
}
