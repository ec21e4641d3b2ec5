<?php

declare(strict_types=1);

namespace Tarnwind\Core\Touch;

use Tarnwind\Core\Performance\Articulation;
use Tarnwind\Core\Performance\ShapesLengths;
use Tarnwind\Core\Plan\Plan;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Holds every key as the teacher, the print, or the style has it.
 */
final class LengthsByStyle implements ShapesLengths
{
    public function lengths(array $lengths, Score $score, TempoMap $tempo, Plan $plan): array
    {
        $commas = array_map(fn (CommaMark $mark): string => $mark->note, $plan->marksOf(CommaMark::class));

        return KeyLengths::of($score, $tempo, $plan->settings(Style::class), self::articulations($plan), $commas);
    }

    /**
     * @return array<string, Articulation> the teacher's articulations by note id
     */
    public static function articulations(Plan $plan): array
    {
        $articulations = [];
        foreach ($plan->marksOf(ArticulationMark::class) as $mark) {
            $articulations = array_replace($articulations, array_fill_keys($mark->notes, $mark->articulation));
        }

        return $articulations;
    }
}
