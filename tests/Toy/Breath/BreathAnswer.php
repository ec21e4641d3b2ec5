<?php

declare(strict_types=1);

namespace Tests\Toy\Breath;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Score\Fraction;

/**
 * Where breaths are taken, and where they are too far apart.
 */
final class BreathAnswer implements Answer
{
    /** Seconds that a breath lasts [start]. */
    private const LONGEST = 10.0;

    public static function restsOn(): array
    {
        return [Aspect::Words, Aspect::Time];
    }

    public static function excerpt(): ?Excerpt
    {
        return null;
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        $measures = array_column($performance->written->measures, null, 'id');
        $breaths = array_values(array_filter(array_map(fn (CommaMark $mark): ?Fraction => $mark->at->onset($measures), $performance->plan->marksOf(CommaMark::class))));
        usort($breaths, fn (Fraction $a, Fraction $b): int => $a->compareTo($b));

        return [
            'breaths' => array_map(strval(...), $breaths),
            'findings' => array_map(fn (Finding $finding): array => $finding->toArray(), self::findings($performance, $breaths)),
        ];
    }

    /**
     * @param  list<Fraction>  $breaths
     * @return list<Finding>
     */
    private static function findings(Performance $performance, array $breaths): array
    {
        $findings = [];
        $last = Fraction::zero();
        foreach ([...$breaths, $performance->written->end()] as $breath) {
            $seconds = $performance->tempo()->seconds($breath) - $performance->tempo()->seconds($last);
            if ($seconds > self::LONGEST) {
                $middle = $performance->written->measureAt($last->plus($breath->minus($last)->times(Fraction::of(1, 2))));
                $findings[] = new Finding(
                    FindingKind::OutOfBreath, Severity::Hint, $middle->start, $middle->index, [], $seconds, self::LONGEST, Unit::Seconds,
                    sprintf('No breath for %.0f s.', $seconds), new Remedy(Action::Breathe, 'Breathe here', at: $middle->start),
                );
            }
            $last = $breath;
        }

        return $findings;
    }
}
