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
use Tarnwind\Core\Reading\Hand;

/**
 * Figures, and pairs of keys, that come again with other fingers than the teacher's or the printed ones.
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

        return [...$findings, ...self::pairs($assignment)];
    }

    /**
     * Two keys one after the other that have other fingers elsewhere in the same bar, by the teacher's or the printed fingers.
     *
     * @return list<Finding>
     */
    private static function pairs(Assignment $assignment): array
    {
        $findings = [];
        foreach (Hand::cases() as $hand) {
            $grips = $assignment->fingering->grips[$hand->value];
            $known = [];
            foreach ($grips as $place => $grip) {
                $before = $grips[$place - 1] ?? null;
                if ($before === null || count($grip->notes) !== 1 || count($before->notes) !== 1 || $assignment->fingering->isPlanned($before->notes[0], $grip->notes[0])) {
                    continue;
                }
                $note = $grip->notes[0];
                $taken = $assignment->fingering->taken[$hand->value];
                $fingers = "{$taken[$place - 1][0]}–{$taken[$place][0]}";
                $key = "$note->measure {$before->keys[0]} {$grip->keys[0]}";
                $known[$key] ??= $fingers;
                if ($known[$key] !== $fingers) {
                    $findings[] = Finding::about(
                        [$before->notes[0], $note], FindingKind::TwoWays, Severity::Hint, 2, 1, Unit::Fingerings,
                        "{$before->notes[0]->inWords()} to {$note->inWords()} is $fingers here and $known[$key] before in this bar.", $assignment->fingering->freeing($before->notes[0], $note),
                    );
                }
            }
        }

        return $findings;
    }
}
