<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Hand\Action;
use Tarnwind\Core\Hand\Assignment;
use Tarnwind\Core\Hand\Figures;
use Tarnwind\Core\Hand\FindingKind;

/**
 * Figures that come again with other fingers than the teacher's or the printed ones.
 */
final class OneFigure
{
    /**
     * @return list<Finding>
     */
    public static function findings(Assignment $assignment): array
    {
        $findings = [];
        foreach (Figures::of($assignment->score, $assignment->reading) as [$likeness, $pairs]) {
            foreach ($pairs as [$earlier, $later]) {
                $here = $assignment->fingering->notes[$later->id];
                $there = $assignment->fingering->notes[$earlier->id];
                if ($here->finger !== $there->finger && ! $assignment->fingering->isPlanned($earlier, $later)) {
                    $number = $assignment->score->measures[$likeness->like + $later->measure - $likeness->from]->number;
                    $findings[] = Finding::about(
                        [$later], FindingKind::TwoWays, Severity::Hint, 2, 1, Unit::Fingerings, "The figure of bar $number has other fingers here: $here->finger on ".$later->inWords().", $there->finger there.",
                        new Remedy(Action::Finger, "$there->finger on ".$later->inWords().' here too', [$later->id], (string) $there->finger),
                    );
                    break;
                }
            }
        }

        return $findings;
    }
}
