<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Action;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Joint;
use Tarnwind\Core\Hand\JointKind;
use Tarnwind\Core\Hand\Joints;
use Tarnwind\Core\Hand\Spans;
use Tarnwind\Core\Performance\Span;

/**
 * What fingers cannot join under a slur, or where legato is asked for: with a silent change they may; else the pedal must, and may not be there. And
 * what they join only by stretching.
 */
final class Joining
{
    /**
     * @param  list<Joint>  $joints
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment, array $joints): array
    {
        $findings = $breaks = [];
        foreach ($joints as $joint) {
            $finding = match ($joint->kind) {
                JointKind::Fingers => self::stretch($assignment, $joint),
                JointKind::Substitution => self::substitution($assignment, $joint),
                JointKind::Pedal => null,
            };
            if ($joint->kind === JointKind::Pedal && self::isBroken($assignment, $joint)) {
                $breaks[$assignment->reading->hands[$joint->from->id]->value][$joint->from->measure][] = $joint;
            }
            $findings[] = $finding;
        }
        foreach ($breaks as $ofHand) {
            $findings = [...$findings, ...array_map(fn (array $ofBar): Finding => self::broken($assignment, $ofBar), array_values($ofHand))];
        }

        return array_values(array_filter($findings));
    }

    /**
     * Whether a join that fingers cannot make is made by nothing: a key that is struck again cannot be joined, a foot that
     * is not planned yet in this bar may be, and one that goes over needs no word.
     */
    private static function isBroken(Assignment $assignment, Joint $joint): bool
    {
        $bar = $assignment->score->measures[$joint->to->measure];
        $isPlanned = array_filter($assignment->pedal, fn (Span $span): bool => $span->down->isLessThan($bar->end()) && $bar->start->isLessThan($span->up)) !== [];

        return $isPlanned && $joint->from->midi !== $joint->to->midi && $assignment->pedalInto($joint->to->onset) === null;
    }

    /**
     * What of a bar nothing joins, said once.
     *
     * @param  non-empty-list<Joint>  $joints  of one hand and bar
     */
    private static function broken(Assignment $assignment, array $joints): Finding
    {
        $first = $joints[0];
        $more = count($joints) - 1;
        $finding = self::unjoined($assignment, $first, Severity::Warning, ', and no pedal goes over: the line breaks between '.$first->from->inWords().' and '.$first->to->inWords().'.');

        return $more === 0 ? $finding : $finding->saying($finding->reason.($more === 1 ? ' So does another join of this bar.' : " So do $more other joins of this bar."));
    }

    private static function stretch(Assignment $assignment, Joint $joint): ?Finding
    {
        $hand = $assignment->reading->hands[$joint->from->id];
        $from = ($assignment->fingering->notes[$joint->from->id] ?? null)?->leaves;
        $to = ($assignment->fingering->notes[$joint->to->id] ?? null)?->finger;
        if ($from === null || $to === null || $from === $to || $assignment->fingering->isPlanned($joint->from, $joint->to) || $hand !== $assignment->reading->hands[$joint->to->id]) {
            return null;
        }
        $span = Spans::opened($from, $to, $hand->outwards() * ($joint->to->midi - $joint->from->midi));
        $comfortable = (new Spans($assignment->hands->reach($hand)))->comfortable(min($from, $to), max($from, $to));

        return $span <= $comfortable ? null : Finding::about(
            [$joint->from, $joint->to], FindingKind::Stretch, Severity::Hint, $span, $comfortable, Unit::Semitones,
            sprintf('%d–%d opens %d semitones from %s to %s; comfortable are %d. Let the wrist follow, do not force it.', $from, $to, $span, $joint->from->inWords(), $joint->to->inWords(), (int) floor($comfortable)),
            $assignment->fingering->freeing($joint->from, $joint->to),
        );
    }

    /**
     * A silent change that the teacher's or the printed fingers need; what is planned may change as it is played.
     */
    private static function substitution(Assignment $assignment, Joint $joint): ?Finding
    {
        $here = $assignment->fingering->notes[$joint->from->id];

        return $assignment->fingering->isPlanned($joint->from, $joint->to) ? null : self::unjoined(
            $assignment, $joint, Severity::Hint, "; change silently to $joint->changeTo, and the fingers join.",
            new Remedy(Action::Finger, "Change to $joint->changeTo on ".$joint->from->inWords(), [$joint->from->id], "$here->finger-$joint->changeTo"),
        );
    }

    /**
     * Measured by the time there is for a silent change.
     *
     * @param  string  $what  after the reason why fingers do not join
     */
    private static function unjoined(Assignment $assignment, Joint $joint, Severity $severity, string $what, ?Remedy $remedy = null): Finding
    {
        $time = $assignment->tempo->seconds($joint->to->onset) - $assignment->tempo->seconds($joint->from->onset);

        return Finding::about([$joint->from, $joint->to], FindingKind::Unjoined, $severity, $time, Joints::CHANGE_SECONDS, Unit::Seconds, ucfirst($joint->reason.$what), $remedy);
    }
}
