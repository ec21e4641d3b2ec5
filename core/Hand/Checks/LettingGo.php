<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Score\Note;

/**
 * Notes that a hand cannot hold to their end: the foot must have caught them before the finger leaves.
 */
final class LettingGo
{
    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        $byId = array_column($assignment->score->notes, null, 'id');
        $findings = [];
        foreach ($assignment->fingering->released as $id => $place) {
            $note = $byId[$id];
            $hand = $assignment->reading->hands[$note->id];
            $next = $assignment->fingering->grips[$hand->value][$place]->struck()[0] ?? null;
            $finding = $next === null ? null : self::finding($assignment, $note, $next);
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }

        return $findings;
    }

    private static function finding(Assignment $assignment, Note $note, Note $next): ?Finding
    {
        $span = $assignment->pedalInto($next->onset);
        if ($span !== null && $next->onset->isLessThan($span->up)) {
            return null;
        }
        $where = 'the hand must leave '.$note->inWords().' for '.$next->inWords().' ('.$assignment->score->placeInWords($next->onset, $note->onset).')';
        $offer = $assignment->redistribution()->offer($next);
        $help = $offer === null ? '' : "; {$offer->inWords()}";

        $held = $assignment->tempo->seconds($next->onset) - $assignment->tempo->seconds($note->onset);
        $written = $assignment->tempo->seconds($note->end()) - $assignment->tempo->seconds($note->onset);

        return $span === null
            ? Finding::about([$note, $next], FindingKind::LetGo, Severity::Hint, $held, $written, Unit::Seconds, "It cannot be held to its end, $where: the pedal must have caught it before, and none is planned$help.", $offer?->remedy())
            : Finding::about(
                [$note, $next], FindingKind::LetGo, Severity::Warning, $held, $written, Unit::Seconds,
                sprintf('It cannot be held to its end: %s just as the foot changes, and the foot catches only about %d ms later%s.', $where, 1000 * FootTiming::DOWN_AFTER, $help), $offer?->remedy(),
            );
    }
}
