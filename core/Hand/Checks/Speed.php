<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Count\TempoLimit;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;

/**
 * Bars that ask for more notes a second than the student plays evenly, or than the piano's keys come back.
 */
final class Speed
{
    /** Quarters a minute that are lost where tempos are told in whole ones. */
    private const ROUNDING = 0.5;

    /** Fewer strokes than this are no repetition. */
    private const STROKES = 3;

    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        $first = [];
        foreach ($assignment->score->notes as $note) {
            $first[$note->measure] ??= $note;
        }
        $findings = [];
        foreach (TempoLimit::find($assignment->score, $assignment->tempo, $assignment->rates) as $limit) {
            if ($limit->tempo !== null && $limit->tempo < $assignment->tempo->quartersPerMinute() - self::ROUNDING) {
                $findings[] = Finding::about([$first[$limit->measure]], FindingKind::TooQuick, Severity::Warning, $limit->rate, (float) ($limit->repetition ? $assignment->rates->repetition : $assignment->rates->run), Unit::PerSecond, sprintf(
                    $limit->repetition ? 'One key %.1f times a second: evenly this student repeats up to ♩ = %d. Change fingers, and keep the wrist loose.' : '%.1f notes a second: evenly this student plays up to ♩ = %d.',
                    $limit->rate, (int) round($limit->tempo),
                ));
            }
        }

        return [...$findings, ...self::beyondThePiano($assignment)];
    }

    /**
     * @return list<Finding>
     */
    private static function beyondThePiano(Assignment $assignment): array
    {
        $most = $assignment->piano->repetition();
        $findings = [];
        foreach ($assignment->evenPassages() as $passage) {
            if ($passage->oneKey && count($passage->notes) >= self::STROKES && $passage->rate > $most) {
                $findings[] = Finding::about([$passage->notes[0]], FindingKind::TooQuick, Severity::Warning, $passage->rate, $most, Unit::PerSecond, sprintf(
                    'One key %.1f times a second: the keys of this piano come back about %.0f times. Up to ♩ = %d it speaks.',
                    $passage->rate, $most, (int) floor($assignment->tempo->quartersPerMinute() * $most / $passage->rate),
                ));
            }
        }

        return $findings;
    }
}
