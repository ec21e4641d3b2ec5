<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Hand\Finding;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Task;
use Tarnwind\Core\Rendition\Renderer;
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

        return $span === null
            ? new Finding(FindingKind::LetGo, Severity::Hint, [$note, $next], "It cannot be held to its end, $where: the pedal must have caught it before, and none is planned$help.", $offer?->remedy())
            : new Finding(
                FindingKind::LetGo, Severity::Warning, [$note, $next],
                sprintf('It cannot be held to its end: %s just as the foot changes, and the foot catches only about %d ms later%s.', $where, 1000 * Renderer::DOWN_AFTER, $help), $offer?->remedy(),
            );
    }
}
