<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Reading\BarTexture;
use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Reading\Cadence;
use Tarnwind\Core\Reading\CadenceKind;
use Tarnwind\Core\Reading\Reading;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\Course;
use Tarnwind\Core\Tempo\PacedTempo;

/**
 * At which ends of phrases time is taken: those that are most an end, far enough from each other that the beat is not lost.
 */
final class Endings
{
    /** Seconds that lie between two of them at least [start]. */
    private const APART = 8.0;

    /** What the strength of a boundary, a cadence before it and a new section count for, and what they must come to together [start]. */
    private const STRENGTH = 0.5;

    private const CADENCE = 0.4;

    private const HALF_CADENCE = 0.35;

    private const SECTION = 0.3;

    private const LEAST = 0.55;

    /** Quarters after it within which a slowing that begins speaks for itself. */
    private const NEAR = 4.0;

    /** Bars before a boundary in which its cadence stands. */
    private const CADENCE_WITHIN = 1;

    /**
     * @return list<Ending> by place; none in voices of equal right, whose beat goes on [trade]
     */
    public static function of(Score $score, Reading $reading, Course $course): array
    {
        if (BarTexture::Counterpoint->share($reading->textures) >= 0.5) {
            return [];
        }
        $tempo = new PacedTempo($course, $score);
        /** @var list<array{ending: Ending, weight: float, seconds: float}> $candidates */
        $candidates = [];
        foreach (array_slice($reading->boundaries, 1) as $boundary) {
            $cadence = self::cadenceBefore($score, $reading->cadences, $boundary);
            $closes = match ($cadence?->kind) {
                null => 0.0,
                CadenceKind::Half => self::HALF_CADENCE,
                default => self::CADENCE,
            };
            $weight = self::STRENGTH * $boundary->strength + $closes + ($boundary->section ? self::SECTION : 0.0);
            if ($weight >= self::LEAST && ! self::isSaid($course, $tempo, $boundary->at)) {
                $candidates[] = ['ending' => new Ending($boundary->at, self::reason($boundary, $cadence), $boundary->section), 'weight' => $weight - self::LEAST, 'seconds' => self::seconds($tempo, $boundary->at->toFloat())];
            }
        }

        return self::best($candidates);
    }

    /**
     * Of those that lie too near to each other the ones that are most an end together; of equal ones the later.
     *
     * @param  list<array{ending: Ending, weight: float, seconds: float}>  $candidates
     * @return list<Ending>
     */
    private static function best(array $candidates): array
    {
        /** @var list<array{float, list<Ending>}> $best up to each candidate */
        $best = [];
        foreach ($candidates as $index => $candidate) {
            $before = $index - 1;
            while ($before >= 0 && $candidate['seconds'] - $candidates[$before]['seconds'] < self::APART) {
                $before--;
            }
            [$sum, $endings] = $best[$before] ?? [0.0, []];
            $with = [$sum + $candidate['weight'], [...$endings, $candidate['ending']]];
            $without = $best[$index - 1] ?? [0.0, []];
            $best[] = $with[0] >= $without[0] - 1e-9 ? $with : $without;
        }

        return $best === [] ? [] : $best[count($best) - 1][1];
    }

    /**
     * @param  list<Cadence>  $cadences
     */
    private static function cadenceBefore(Score $score, array $cadences, Boundary $boundary): ?Cadence
    {
        $earliest = $boundary->at->minus($score->measureAt($boundary->at)->time->length()->times(Fraction::of(self::CADENCE_WITHIN)));
        $found = null;
        foreach ($cadences as $cadence) {
            if ($cadence->at->isLessThan($boundary->at) && ! $cadence->at->isLessThan($earliest)) {
                $found = $cadence;
            }
        }

        return $found;
    }

    private static function reason(Boundary $boundary, ?Cadence $cadence): string
    {
        $end = $boundary->section ? 'a section ends' : 'a phrase ends';

        return match ($cadence?->kind) {
            CadenceKind::Full => "$end on a full cadence",
            CadenceKind::Half => "$end on a half cadence",
            CadenceKind::Deceptive => "$end on a deceptive cadence",
            CadenceKind::Plagal => "$end on a plagal cadence",
            null => $end,
        };
    }

    /**
     * Whether print or teacher slow down, hold or stand still there.
     */
    private static function isSaid(Course $course, PacedTempo $tempo, Fraction $at): bool
    {
        $place = $at->toFloat();
        foreach ($course->paces as $index => $pace) {
            if ($pace->isSlowing() && $pace->at->toFloat() < $place + self::NEAR && ! $tempo->ends[$index]->isLessThan($at)) {
                return true;
            }
        }
        foreach ($course->holds as $hold) {
            if ($hold->from->isLessThan($at) && $hold->to->toFloat() > $place - 1) {
                return true;
            }
        }
        foreach ($course->silences as $silence) {
            if (abs($silence->at->toFloat() - $place) < 1) {
                return true;
            }
        }

        return false;
    }

    private static function seconds(PacedTempo $tempo, float $quarters): float
    {
        $seconds = 0.0;
        foreach ($tempo->steps as $index => [$from, $perMinute]) {
            if ($from >= $quarters) {
                break;
            }
            $seconds += (min($quarters, $tempo->steps[$index + 1][0] ?? INF) - $from) * 60 / $perMinute;
        }

        return $seconds;
    }
}
