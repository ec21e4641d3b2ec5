<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\BendKind;
use Tarnwind\Core\Tempo\Course;
use Tarnwind\Core\Tempo\Pace;
use Tarnwind\Core\Tempo\TempoChange;
use Tarnwind\Core\Time\Action;
use Tarnwind\Core\Time\FindingKind;
use Tarnwind\Core\Time\TakenTime;
use Tarnwind\Core\Time\TimedBeat;

/**
 * Slowings that begin too early or too steeply, that lead nowhere or past the tempo that follows; sections out of proportion.
 */
final readonly class Slowings
{
    /** Bars that a slowing lasts at the most, unless it is the only thing said [start]. */
    private const LONGEST = 4.0;

    /** A beat is no more than this much longer than the one before it: a third [start]. */
    private const STEEPEST = 4 / 3;

    /** By how much a tempo may miss the one it leads to, or a section its printed ratio [start]. */
    private const MISSED = 0.15;

    private const DRIFT = 0.1;

    /** How much slower than what the slowing has reached the last note may be [start]. */
    private const SLOWER = 1.25;

    /** Bars that follow a slowing without a tempo, from which it matters. */
    private const GOES_ON = 1;

    private const ROUNDING = 0.01;

    /**
     * @param  list<Boundary>  $boundaries
     * @param  Course  $printed  what is printed alone
     */
    public function __construct(
        private Score $score,
        private TakenTime $time,
        private array $boundaries,
        private Course $printed,
    ) {
    }

    /**
     * @return list<Finding>
     */
    public function findings(): array
    {
        $findings = [];
        $course = $this->time->course;
        foreach ($course->paces as $index => $pace) {
            $to = $this->time->paced->ends[$index];
            $next = $course->paces[$index + 1] ?? null;
            if ($pace->change === TempoChange::Gradual) {
                $findings[] = $pace->mark !== null ? $this->early($pace, $to) : $this->endless($pace, $to, $next);
                $findings[] = $pace->mark !== null && $pace->isSlowing() ? $this->steep($pace, $to) : null;
                $findings[] = $pace->mark !== null && $pace->stays ? $this->noReturn($pace, $to, $next) : null;
                $findings[] = $this->missed($pace, $to, $next);
                $findings[] = $this->lastNote($pace, $to);
            }
            $findings[] = $pace->change === TempoChange::AtOnce && $pace->mark !== null ? $this->drift($pace) : null;
        }

        return array_values(array_filter($findings));
    }

    private function early(Pace $pace, Fraction $to): ?Finding
    {
        $bars = $to->minus($pace->at)->dividedBy($this->score->measureAt($pace->at)->time->length())->toFloat();

        return $pace->isSlowing() && $bars > self::LONGEST ? $this->finding(
            FindingKind::SlowingEarly, $pace->at, $bars, self::LONGEST, Unit::Bars,
            sprintf('The slowing begins %s bars before it ends: so early it drags. Four at the most.', self::number($bars)), new Remedy(Action::Later, 'Begin a bar later', [(string) $pace->mark]),
        ) : null;
    }

    private function steep(Pace $pace, Fraction $to): ?Finding
    {
        $before = null;
        foreach ($this->time->beats as $beat) {
            $isWithin = ! $beat->at->isLessThan($pace->at) && $beat->at->isLessThan($to);
            $tempo = $beat->strict / $beat->to->minus($beat->at)->toFloat();
            if ($before !== null && $isWithin && $tempo / $before > self::STEEPEST + self::ROUNDING) {
                return $this->finding(
                    FindingKind::SlowingSteep, $beat->at, $tempo / $before, self::STEEPEST, Unit::Share,
                    sprintf('%s is %d %% longer than the beat before it: more than a third at once is a jolt.', ucfirst($this->score->placeInWords($beat->at)), round(100 * ($tempo / $before - 1))),
                    new Remedy(Action::Earlier, 'Begin a bar earlier', [(string) $pace->mark]),
                );
            }
            $before = $tempo;
        }

        return null;
    }

    /**
     * A printed change that says not where it ends, with more to come after it.
     */
    private function endless(Pace $pace, Fraction $to, ?Pace $next): ?Finding
    {
        $rest = $this->score->end()->minus($to)->dividedBy($this->score->measureAt($to)->time->length())->toFloat();
        if ($pace->to !== null || ($next !== null && $next->at->equals($to)) || $rest < self::GOES_ON) {
            return null;
        }
        $end = $this->phraseAfter($pace->at) ?? $to;
        $bars = $to->minus($pace->at)->dividedBy($this->score->measureAt($pace->at)->time->length())->toFloat();

        return $this->finding(
            FindingKind::NoReturn, $pace->at, $bars, 0.0, Unit::Bars,
            sprintf('“%s” says not where it ends: it is taken over %s bars, and then the tempo comes back. The phrase ends at %s.', $pace->says, self::number($bars), $this->score->placeInWords($end)),
            new Remedy(Action::Ends, 'To the end of the phrase', [], "$end $pace->value", $pace->at), Severity::Hint,
        );
    }

    private function noReturn(Pace $pace, Fraction $to, ?Pace $next): ?Finding
    {
        $rest = $this->score->end()->minus($to)->dividedBy($this->score->measureAt($to)->time->length())->toFloat();

        return $next === null && $rest > self::GOES_ON ? $this->finding(
            FindingKind::NoReturn, $to, $rest, (float) self::GOES_ON, Unit::Bars,
            sprintf('After your change no tempo comes: %s bars stay at %d %% of the tempo.', self::number($rest), round(100 * $pace->value)), new Remedy(Action::ComesBack, 'The tempo comes back', [(string) $pace->mark]),
        ) : null;
    }

    /**
     * A change towards a tempo that is marked where it ends, and does not meet it.
     */
    private function missed(Pace $pace, Fraction $to, ?Pace $next): ?Finding
    {
        if ($next === null || $next->change !== TempoChange::Marked || ! $next->at->equals($to)) {
            return null;
        }
        $before = $this->time->paced->at($pace->at->toFloat() - 1e-6);
        $wanted = $next->value / $before;
        $leads = $wanted < 1 === $pace->value < 1;

        return $leads && abs($pace->value / $wanted - 1) > self::MISSED ? $this->finding(
            FindingKind::TargetMissed, $pace->at, $pace->value * $before, $next->value, Unit::PerMinute,
            sprintf('“%s” leads to ♩ = %d, and the tempo marked at %s is ♩ = %d: make one meet the other.', $pace->says, round($pace->value * $before), $this->score->placeInWords($to), round($next->value)),
            new Remedy(Action::Ends, 'Meet the tempo marked', [], $to.' '.round($wanted, 3), $pace->at),
        ) : null;
    }

    /**
     * What follows the slowing in the last bar is slower still, and no fermata says so.
     */
    private function lastNote(Pace $pace, Fraction $to): ?Finding
    {
        $last = $this->score->measures[count($this->score->measures) - 1];
        if (! $pace->isSlowing() || $to->isLessThan($last->start->minus($last->time->length())) || ! $to->isLessThan($last->end())) {
            return null;
        }
        foreach ($this->time->beats as $beat) {
            if ($beat->at->isLessThan($to)) {
                continue;
            }
            $taken = $this->takenWithoutHolds($beat);
            $slower = ($beat->strict + $taken) / ($beat->to->minus($beat->at)->toFloat() * 60_000 / $this->time->paced->at($to->toFloat() - 1e-6));
            if ($slower > self::SLOWER) {
                return $this->finding(
                    FindingKind::LastNoteSlower, $beat->at, $slower, self::SLOWER, Unit::Share,
                    sprintf('After the slowing the last beats are %d %% longer still: what it has reached is where it ends.', round(100 * ($slower - 1))), null,
                );
            }
        }

        return null;
    }

    private function takenWithoutHolds(TimedBeat $beat): float
    {
        $taken = 0.0;
        foreach ($beat->taken as $index => $ms) {
            $taken += in_array($this->time->elapsed->bends[$index]->kind, [BendKind::Hold, BendKind::Silence], true) ? 0.0 : $ms;
        }

        return $taken;
    }

    /**
     * The teacher's tempo in place of a printed one whose ratio is another.
     */
    private function drift(Pace $pace): ?Finding
    {
        foreach ($this->printed->paces as $place => $printed) {
            if (! $printed->at->equals($pace->at) || ! in_array($printed->change, [TempoChange::Marked, TempoChange::AtOnce], true)) {
                continue;
            }
            $ratio = $printed->change === TempoChange::AtOnce ? $printed->value : $printed->value / self::mainBefore($this->printed, $place);
            if (abs($pace->value / $ratio - 1) > self::DRIFT) {
                return $this->finding(
                    FindingKind::RatioDrifts, $pace->at, $pace->value, $ratio, Unit::Share,
                    sprintf('This section goes at %s of the tempo before; printed is %s.', self::number($pace->value), self::number($ratio)), new Remedy(Action::AsPrinted, 'As printed', [], '', $pace->at), Severity::Hint,
                );
            }
        }

        return null;
    }

    private static function mainBefore(Course $course, int $index): float
    {
        $main = $course->first;
        foreach (array_slice($course->paces, 0, $index) as $pace) {
            $main = match ($pace->change) {
                TempoChange::Marked => $pace->value,
                TempoChange::AtOnce => $main * $pace->value,
                TempoChange::First => $course->first,
                default => $main,
            };
        }

        return $main;
    }

    private function phraseAfter(Fraction $at): ?Fraction
    {
        foreach ($this->boundaries as $boundary) {
            if ($at->isLessThan($boundary->at)) {
                return $boundary->at;
            }
        }

        return null;
    }

    private function finding(FindingKind $kind, Fraction $at, float $value, float $limit, Unit $unit, string $reason, ?Remedy $remedy, Severity $severity = Severity::Warning): Finding
    {
        return new Finding($kind, $severity, $at, $this->score->measureAt($at)->index, [], $value, $limit, $unit, $reason, $remedy);
    }

    private static function number(float $value): string
    {
        return rtrim(rtrim(number_format($value, 2), '0'), '.');
    }
}
