<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand\Checks;

use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Hand\Figures;
use Tarnwind\Core\Hand\Finding;
use Tarnwind\Core\Hand\FindingKind;
use Tarnwind\Core\Hand\Remedy;
use Tarnwind\Core\Hand\Task;

/**
 * Figures that come again with other fingers.
 */
final class OneFigure
{
    /**
     * @return list<Finding>
     */
    public static function findings(Task $task): array
    {
        $findings = [];
        foreach (Figures::of($task->score, $task->reading) as [$likeness, $pairs]) {
            foreach ($pairs as [$earlier, $later]) {
                $here = $task->fingering->notes[$later->id];
                $there = $task->fingering->notes[$earlier->id];
                if ($here->finger !== $there->finger) {
                    $number = $task->score->measures[$likeness->like + $later->measure - $likeness->from]->number;
                    $findings[] = new Finding(
                        FindingKind::TwoWays, Severity::Hint, [$later], "The figure of bar $number has other fingers here: $here->finger on ".$later->inWords().", $there->finger there.",
                        new Remedy('finger', [$later->id], (string) $there->finger, "$there->finger on ".$later->inWords().' here too'),
                    );
                    break;
                }
            }
        }

        return $findings;
    }
}
