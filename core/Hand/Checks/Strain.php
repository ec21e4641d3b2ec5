<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Reading\Hand;

/**
 * Where strain gathers: octaves and wide chords one after another, one key struck again and again.
 */
final class Strain
{
    /** So many wide strokes of one hand without a pause, each no further from the next than this, on medium keys [start]. */
    private const WIDE_STROKES = 16;

    private const WITHOUT_PAUSE = 0.6;

    private const WIDE = 12;

    /** So many quick strokes of one key without a pause, at so many a second, on medium keys [start]. */
    private const STROKES = 16;

    private const QUICK_STROKES = 5.0;

    private const CAUTION = 'practise in short stretches, with pauses and a loose wrist, and stop where it hurts. '
        .'Lasting pain, numbness or tingling belong to a doctor or therapist who knows musicians.';

    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        return [...self::wide($assignment, Hand::Right), ...self::wide($assignment, Hand::Left), ...self::repetition($assignment)];
    }

    /**
     * @return list<Finding>
     */
    private static function wide(Assignment $assignment, Hand $hand): array
    {
        $most = self::WIDE_STROKES * $assignment->piano->action->endurance();
        // What is wide for everyone, and what is near the limit of this hand.
        $wide = min(self::WIDE, $assignment->hands->reach($hand)->comfortable);
        $findings = $run = [];
        foreach ([...$assignment->fingering->grips[$hand->value], null] as $grip) {
            $isWide = $grip !== null && $grip->isChord() && $grip->span() >= $wide;
            $last = $run === [] ? null : $run[count($run) - 1];
            if ($isWide && ($last === null || $grip->seconds - $last->seconds <= self::WITHOUT_PAUSE)) {
                $run[] = $grip;

                continue;
            }
            if (count($run) >= $most) {
                $findings[] = Finding::about(
                    [$run[0]->notes[0]], FindingKind::Strain, Severity::Warning, count($run), $most, Unit::Strokes,
                    count($run).($wide < self::WIDE ? ' chords as wide as this' : ' octaves or wider chords in the')." $hand->value hand".($wide < self::WIDE ? ' opens in comfort,' : '').' without a pause: '.self::CAUTION,
                );
            }
            $run = $isWide ? [$grip] : [];
        }

        return $findings;
    }

    /**
     * @return list<Finding>
     */
    private static function repetition(Assignment $assignment): array
    {
        $findings = [];
        foreach ($assignment->evenPassages() as $passage) {
            if ($passage->oneKey && count($passage->notes) >= self::STROKES * $assignment->piano->action->endurance() && $passage->rate >= self::QUICK_STROKES) {
                $findings[] = Finding::about([$passage->notes[0]], FindingKind::Strain, Severity::Warning, count($passage->notes), self::STROKES * $assignment->piano->action->endurance(), Unit::Strokes, sprintf(
                    'One key %d times without a pause, %.1f a second: %s', count($passage->notes), $passage->rate, self::CAUTION,
                ));
            }
        }

        return $findings;
    }
}
