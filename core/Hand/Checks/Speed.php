<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Count\TempoLimit;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Task;

/**
 * Bars that ask for more notes a second than the student plays evenly, or than the piano's keys come back.
 */
final class Speed
{
    /** Fewer strokes than this are no repetition. */
    private const STROKES = 3;

    /**
     * @return list<Finding>
     */
    public static function findings(Task $task): array
    {
        $first = [];
        foreach ($task->score->notes as $note) {
            $first[$note->measure] ??= $note;
        }
        $findings = [];
        foreach (TempoLimit::find($task->score, $task->tempo, $task->rates) as $limit) {
            if ($limit->tempo !== null && $limit->tempo < $task->tempo->quartersPerMinute() - 0.5) {
                $findings[] = Finding::about([$first[$limit->measure]], FindingKind::TooQuick, Severity::Warning, $limit->rate, (float) ($limit->repetition ? $task->rates->repetition : $task->rates->run), Unit::PerSecond, sprintf(
                    $limit->repetition ? 'One key %.1f times a second: evenly this student repeats up to ♩ = %d. Change fingers, and keep the wrist loose.' : '%.1f notes a second: evenly this student plays up to ♩ = %d.',
                    $limit->rate, (int) round($limit->tempo),
                ));
            }
        }

        return [...$findings, ...self::beyondThePiano($task)];
    }

    /**
     * @return list<Finding>
     */
    private static function beyondThePiano(Task $task): array
    {
        $most = $task->piano->repetition();
        $findings = [];
        foreach ($task->evenPassages() as $passage) {
            if ($passage->oneKey && count($passage->notes) >= self::STROKES && $passage->rate > $most) {
                $findings[] = Finding::about([$passage->notes[0]], FindingKind::TooQuick, Severity::Warning, $passage->rate, $most, Unit::PerSecond, sprintf(
                    'One key %.1f times a second: the keys of this piano come back about %.0f times. Up to ♩ = %d it speaks.',
                    $passage->rate, $most, (int) floor($task->tempo->quartersPerMinute() * $most / $passage->rate),
                ));
            }
        }

        return $findings;
    }
}
