<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Grip;
use Tarnwind\Core\Hand\Leap;
use Tarnwind\Core\Hand\Spans;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Note;

/**
 * Moves between what a hand strikes: leaps without the time for them, and awkward crossings.
 */
final class Moves
{
    /** How much longer a leap must take than there is time for it to be told: the law it is measured by is rough [start]. */
    private const SURE = 1.1;

    /** Seconds in which one finger still goes over to another key without chopping a line [start]. */
    private const CHOPPED = 0.3;

    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        $findings = [];
        foreach (Hand::cases() as $hand) {
            $grips = $assignment->fingering->grips[$hand->value];
            $taken = $assignment->fingering->taken[$hand->value];
            $leaps = [];
            foreach ($grips as $place => $grip) {
                if ($place === 0) {
                    continue;
                }
                $leap = self::leap($assignment, $hand, $grips[$place - 1], $taken[$place - 1], $grip, $taken[$place]);
                if ($leap === null) {
                    $findings[] = self::step($assignment, $grips[$place - 1], $taken[$place - 1], $grip, $taken[$place]);
                } else {
                    $leaps[$leap->measure][] = $leap;
                }
            }
            $findings = [...$findings, ...array_map(self::oneOf(...), array_values($leaps))];
        }

        return array_values(array_filter($findings));
    }

    /**
     * The first leap of a bar, with how many more there are.
     *
     * @param  non-empty-list<Finding>  $leaps
     */
    private static function oneOf(array $leaps): Finding
    {
        $more = count($leaps) - 1;
        $first = $leaps[0];

        return $more === 0 ? $first : $first->saying($first->reason.($more === 1 ? ' Another such leap follows in this bar.' : " $more more such leaps follow in this bar."));
    }

    /**
     * @param  list<int>  $fingers
     * @param  list<int>  $next
     */
    private static function leap(Assignment $assignment, Hand $hand, Grip $from, array $fingers, Grip $to, array $next): ?Finding
    {
        $leap = Leap::from($from, $fingers, $to, $next);
        $time = $to->seconds - $from->seconds;
        $struck = $to->struck();
        if ($struck === [] || $struck[0]->grace || $leap->fits($time) || self::SURE * $time >= $leap->seconds()) {
            return null;
        }
        $help = 'leave early, look ahead, and practise arriving before the beat';
        $offer = $assignment->redistribution()->offer($struck[0]);
        if ($offer !== null) {
            $help = $offer->inWords().($offer->refusal === null ? '' : "; $help");
        }

        return Finding::about(
            $struck, FindingKind::Leap, Severity::Warning, $time, $leap->seconds(), Unit::Seconds,
            sprintf('The %s hand has %.2f s to get to %s, %d semitones away, and takes about %.2f s: %s.', $hand->value, $time, $struck[0]->inWords(), (int) round($leap->semitones), $leap->seconds(), $help),
            $offer?->remedy(),
        );
    }

    /**
     * From one note to the next in a line, as the teacher's or the printed fingers go.
     *
     * @param  list<int>  $fingers
     * @param  list<int>  $next
     */
    private static function step(Assignment $assignment, Grip $from, array $fingers, Grip $to, array $next): ?Finding
    {
        if ($assignment->fingering->isPlanned($from->notes[0], $to->notes[0]) || count($fingers) !== 1 || count($next) !== 1 || ! $from->notes[0]->end()->equals($to->notes[0]->onset)) {
            return null;
        }
        [$note, $following] = [$from->notes[0], $to->notes[0]];
        if ($fingers[0] === $next[0]) {
            return self::oneFinger($assignment, $note, $following, $fingers[0], $to->seconds - $from->seconds);
        }
        [$lower, $higher] = [min($fingers[0], $next[0]), max($fingers[0], $next[0])];
        $span = Spans::opened($fingers[0], $next[0], $to->keys[0] - $from->keys[0]);
        $thumbOnBlack = $to->black[0] !== $from->black[0] && ($fingers[0] === 1 ? $from->black[0] : $to->black[0]);

        return $span < 0 ? self::crossing($assignment, $note, $following, $lower, $higher, $thumbOnBlack, $span) : null;
    }

    /**
     * One finger that is to go from key to key too quickly to be anything but chopped.
     */
    private static function oneFinger(Assignment $assignment, Note $note, Note $following, int $finger, float $seconds): ?Finding
    {
        return $note->midi === $following->midi || $seconds >= self::CHOPPED ? null : Finding::about(
            [$note, $following], FindingKind::OneFinger, Severity::Hint, $seconds, self::CHOPPED, Unit::Seconds,
            sprintf('%d goes from %s to %s in %.2f s: two fingers lie there.', $finger, $note->inWords(), $following->inWords(), $seconds), $assignment->fingering->freeing($note, $following),
        );
    }

    private static function crossing(Assignment $assignment, Note $note, Note $following, int $lower, int $higher, bool $thumbOnBlack, int $span): ?Finding
    {
        $what = match (true) {
            $lower > 1 => "$higher and $lower cross each other",
            $higher === 5 => 'the thumb passes the little finger',
            $thumbOnBlack => 'the thumb passes onto a black key',
            default => null,
        };

        return $what === null ? null : Finding::about(
            [$note, $following], FindingKind::Crossing, Severity::Hint, $span, 0, Unit::Semitones, 'From '.$note->inWords().' to '.$following->inWords()." $what.", $assignment->fingering->freeing($note, $following),
        );
    }
}
