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

/**
 * What fingers cannot join under a slur: with a silent change they may; else the pedal must, and may not be there. And
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
        return array_values(array_filter(array_map(fn (Joint $joint): ?Finding => match ($joint->kind) {
            JointKind::Fingers => self::stretch($assignment, $joint),
            JointKind::Substitution => self::substitution($assignment, $joint),
            JointKind::Pedal => self::pedal($assignment, $joint),
        }, $joints)));
    }

    private static function stretch(Assignment $assignment, Joint $joint): ?Finding
    {
        $hand = $assignment->reading->hands[$joint->from->id];
        $from = ($assignment->fingering->notes[$joint->from->id] ?? null)?->leaves;
        $to = ($assignment->fingering->notes[$joint->to->id] ?? null)?->finger;
        if ($from === null || $to === null || $from === $to || $hand !== $assignment->reading->hands[$joint->to->id]) {
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

    private static function substitution(Assignment $assignment, Joint $joint): Finding
    {
        $finger = $assignment->fingering->notes[$joint->from->id]->finger;

        return self::unjoined(
            $assignment, $joint, Severity::Hint, "; change silently to $joint->changeTo, and the fingers join.",
            new Remedy(Action::Finger, "Change to $joint->changeTo on ".$joint->from->inWords(), [$joint->from->id], "$finger-$joint->changeTo"),
        );
    }

    private static function pedal(Assignment $assignment, Joint $joint): Finding
    {
        $two = $joint->from->inWords().' and '.$joint->to->inWords();

        if ($assignment->pedal === []) {
            return self::unjoined($assignment, $joint, Severity::Hint, ": only the pedal will join $two.");
        }

        return $assignment->pedalInto($joint->to->onset) === null
            ? self::unjoined($assignment, $joint, Severity::Warning, ", and no pedal goes over: the slur breaks between $two.")
            : self::unjoined($assignment, $joint, Severity::Hint, ": the pedal must join $two, as planned.");
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
