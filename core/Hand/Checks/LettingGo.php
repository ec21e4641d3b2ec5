<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Task;
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
    public static function findings(Task $task): array
    {
        $byId = array_column($task->score->notes, null, 'id');
        $findings = [];
        foreach ($task->fingering->released as $id => $place) {
            $note = $byId[$id];
            $hand = $task->reading->hands[$note->id];
            $next = $task->fingering->grips[$hand->value][$place]->struck()[0] ?? null;
            $finding = $next === null ? null : self::finding($task, $note, $next);
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }

        return $findings;
    }

    private static function finding(Task $task, Note $note, Note $next): ?Finding
    {
        $span = $task->pedalInto($next->onset);
        if ($span !== null && $next->onset->isLessThan($span->up)) {
            return null;
        }
        $where = 'the hand must leave '.$note->inWords().' for '.$next->inWords().' ('.$task->score->placeInWords($next->onset, $note->onset).')';
        $offer = $task->redistribution()->offer($next);
        $help = $offer === null ? '' : "; {$offer->inWords()}";

        $held = $task->tempo->seconds($next->onset) - $task->tempo->seconds($note->onset);
        $written = $task->tempo->seconds($note->end()) - $task->tempo->seconds($note->onset);

        return $span === null
            ? Finding::about([$note, $next], FindingKind::LetGo, Severity::Hint, $held, $written, Unit::Seconds, "It cannot be held to its end, $where: the pedal must have caught it before, and none is planned$help.", $offer?->remedy())
            : Finding::about(
                [$note, $next], FindingKind::LetGo, Severity::Warning, $held, $written, Unit::Seconds,
                sprintf('It cannot be held to its end: %s just as the foot changes, and the foot catches only about %d ms later%s.', $where, 1000 * FootTiming::DOWN_AFTER, $help), $offer?->remedy(),
            );
    }
}
