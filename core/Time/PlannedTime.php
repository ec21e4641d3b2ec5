<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Performance\ShapesTime;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\Course;
use Tarnwind\Core\Tempo\Hold;
use Tarnwind\Core\Tempo\Pace;
use Tarnwind\Core\Tempo\Silence;
use Tarnwind\Core\Tempo\TempoChange;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * Puts what the teacher plans, and what her school does by itself, into the course of time.
 */
final class PlannedTime implements ShapesTime
{
    public function course(Course $course, Performance $performance): Course
    {
        [$score, $plan] = [$performance->score(), $performance->plan];
        $measures = array_column($score->measures, null, 'id');
        $school = $plan->settings(Timing::class)->school;
        $course = $course->with(
            paces: self::paces($course, $plan->marksOf(PaceMark::class), $plan->marksOf(TempoMark::class), $plan->marksOf(FreeMark::class), $measures),
            holds: self::holds($course->holds, $plan->marksOf(FermataMark::class), $score, $measures),
            silences: self::silences($course->silences, $plan->marksOf(SilenceMark::class), $measures),
        );
        $own = self::ownEndings($plan->marksOf(EndingMark::class), $measures);
        if ($school === School::Strict && $own === [] && $plan->marksOf(RubatoMark::class) === [] && $plan->marksOf(LeanMark::class) === []) {
            return $course;
        }
        $habits = new Habits($score, $performance->reading(), $school);
        $course = $habits->applied($course, $own, $performance);
        $strict = TempoMap::along($course->strict(), $score);
        $bends = $course->bends;
        foreach ($plan->marksOf(RubatoMark::class) as $mark) {
            $bends = [...$bends, ...(Rubato::of($mark, $score, $strict)?->bends() ?? [])];
        }

        return $course->with(bends: [...$bends, ...Leans::own($plan->marksOf(LeanMark::class), $score)]);
    }

    /**
     * What is printed, but for what the teacher has at the same place or over it.
     *
     * @param  list<PaceMark>  $slowings
     * @param  list<TempoMark>  $tempos
     * @param  list<FreeMark>  $free
     * @param  array<string, Measure>  $measures
     * @return list<Pace>
     */
    private static function paces(Course $course, array $slowings, array $tempos, array $free, array $measures): array
    {
        $own = [];
        foreach ($tempos as $mark) {
            $at = $mark->at->onset($measures);
            if ($at !== null && $at->isPositive()) {
                $own[] = new Pace($at, TempoChange::AtOnce, $mark->ratio, says: 'your tempo', mark: $mark->id);
            }
        }
        foreach ([...$slowings, ...$free] as $mark) {
            [$from, $to] = [$mark->from->onset($measures), $mark->to->onset($measures)];
            if ($from !== null && $to !== null && $from->isLessThan($to)) {
                $own[] = $mark instanceof PaceMark
                    ? new Pace($from, TempoChange::Gradual, $mark->end, $to, $mark->stays, $mark->shape, $mark->end < 1 ? 'your slowing' : 'your quickening', $mark->id)
                    : new Pace($from, TempoChange::Free, 1.0, $to, says: 'a free passage', mark: $mark->id);
            }
        }
        $isReplaced = function (Pace $printed) use ($own): bool {
            foreach ($own as $one) {
                // What is printed within the teacher's own change is part of it.
                $isWithin = $one->to !== null && $one->at->isLessThan($printed->at) && $printed->at->isLessThan($one->to);
                if ($printed->at->equals($one->at) || ($isWithin && $printed->change === TempoChange::Gradual)) {
                    return true;
                }
            }

            return false;
        };

        return [...array_values(array_filter($course->paces, fn (Pace $pace): bool => ! $isReplaced($pace))), ...$own];
    }

    /**
     * @param  list<Hold>  $printed
     * @param  list<FermataMark>  $marks
     * @param  array<string, Measure>  $measures
     * @return list<Hold>
     */
    private static function holds(array $printed, array $marks, Score $score, array $measures): array
    {
        foreach ($marks as $mark) {
            $at = $mark->at->onset($measures);
            if ($at === null) {
                continue;
            }
            $index = array_key_first(array_filter($printed, fn (?Hold $hold): bool => $hold !== null && ! $at->isLessThan($hold->from) && $at->isLessThan($hold->to)));
            $there = $index === null ? null : $printed[$index];
            if ($index !== null) {
                unset($printed[$index]);
            }
            if ($mark->seconds !== 0.0) {
                $printed[] = $there === null ? self::newHold($score, $at, $mark) : new Hold($there->from, $there->to, $there->midi, $mark->when, $mark->seconds, $mark->id);
            }
        }

        return array_values(array_filter($printed));
    }

    /**
     * What stands at a place, up to what is struck next.
     */
    private static function newHold(Score $score, Fraction $at, FermataMark $mark): ?Hold
    {
        $next = $score->end();
        $midi = null;
        foreach ($score->notes as $note) {
            if ($at->isLessThan($note->onset)) {
                $next = $note->onset;
                break;
            }
            if (! $note->grace && $at->isLessThan($note->end())) {
                $midi = max($midi ?? 0, $note->midi);
            }
        }

        return $at->isLessThan($next) ? new Hold($at, $next, $midi, $mark->when, $mark->seconds, $mark->id) : null;
    }

    /**
     * @param  list<Silence>  $printed
     * @param  list<SilenceMark>  $marks
     * @param  array<string, Measure>  $measures
     * @return list<Silence>
     */
    private static function silences(array $printed, array $marks, array $measures): array
    {
        foreach ($marks as $mark) {
            $at = $mark->at->onset($measures);
            if ($at !== null) {
                $printed = array_values(array_filter($printed, fn (Silence $silence): bool => ! $silence->at->equals($at)));
                if ($mark->ms > 0) {
                    $printed[] = new Silence($at, $mark->ms / 1000, sprintf('your silence of %d ms', $mark->ms), $mark->when, mark: $mark->id);
                }
            }
        }

        return $printed;
    }

    /**
     * @param  list<EndingMark>  $marks
     * @param  array<string, Measure>  $measures
     * @return array<string, Ending> by place
     */
    private static function ownEndings(array $marks, array $measures): array
    {
        $own = [];
        foreach ($marks as $mark) {
            $at = $mark->at->onset($measures);
            if ($at !== null && $at->isPositive()) {
                $own[(string) $at] = new Ending($at, 'the end of a phrase, as you have it', mark: $mark->id, longer: $mark->longer);
            }
        }

        return $own;
    }
}
