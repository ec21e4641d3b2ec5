<?php

declare(strict_types=1);

namespace Tarnwind\Core\Shape\Checks;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Remedy;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Findings\Unit;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Sign;
use Tarnwind\Core\Shape\Action;
use Tarnwind\Core\Shape\Arcs;
use Tarnwind\Core\Shape\DynamicMark;
use Tarnwind\Core\Shape\FindingKind;
use Tarnwind\Core\Shape\Line;
use Tarnwind\Core\Sound\Loudness;
use Tarnwind\Core\Touch\CommaMark;

/**
 * Dynamics and hairpins: whether there is room to grow and to fall, whether something sudden is prepared, whether the plan
 * goes against the print.
 */
final readonly class PrintedMarks
{
    /** Quarters after the end of a hairpin in which the mark it leads to stands. */
    private const NEAR = 1.0;

    /** Velocity from which nothing is left to grow to, and below which nothing to fall to [start]. */
    private const FULL = 112;

    private const EMPTY = 33;

    /** Grades between two marks from which the second is sudden, or goes against the first [start]. */
    private const SUDDEN = 2;

    public function __construct(private Performance $performance)
    {
    }

    /**
     * @return list<Finding>
     */
    public function findings(): array
    {
        return [...$this->hairpins(), ...$this->sudden(), ...$this->contradicted()];
    }

    /**
     * @return list<Finding>
     */
    private function hairpins(): array
    {
        $signs = $this->performance->score()->marks;
        $findings = [];
        $open = $named = null;
        foreach ($signs as $sign) {
            if ($sign->kind !== 'wedge') {
                $named = $sign->kind === 'dynamics' ? Loudness::velocityOf((string) $sign->value) ?? $named : $named;
            } elseif ($sign->value !== 'stop') {
                $open = $sign;
            } elseif ($open !== null) {
                // Where hairpins follow each other the print does not say where the second begins.
                $findings[] = $named === null ? null : $this->room($open, $named, $this->markAt($sign));
                $open = $named = null;
            }
        }

        return array_values(array_filter($findings));
    }

    /**
     * @param  int  $start  velocity of the mark at which it begins
     * @param  ?Sign  $goal  the mark it leads to
     */
    private function room(Sign $hairpin, int $start, ?Sign $goal): ?Finding
    {
        $grows = $hairpin->value === 'crescendo';
        $aim = $goal === null ? null : Loudness::velocityOf((string) $goal->value);
        $isSpent = $grows ? $start >= self::FULL : $start <= self::EMPTY;
        // A mark that goes the other way is meant as a surprise.
        $isAlike = $aim !== null && abs($aim - $start) < Loudness::STEP / 2;
        if (! $isSpent && ! $isAlike) {
            return null;
        }
        $from = Loudness::markOf($start - ($grows ? 1 : -1) * Loudness::STEP);

        return new Finding(
            $grows ? FindingKind::NoRoomToGrow : FindingKind::NoRoomToFall, Severity::Warning, $hairpin->onset, $hairpin->measure, [], $start / Loudness::STEP,
            ($grows ? ($aim ?? self::FULL) - Loudness::STEP : ($aim ?? self::EMPTY) + Loudness::STEP) / Loudness::STEP, Unit::Grades,
            $grows
                ? sprintf('The crescendo begins at %s%s: begin it softer, or it has nowhere to go.', Loudness::markOf($start), $isAlike ? " and leads to $goal->value" : '')
                : sprintf('The diminuendo begins at %s%s: nothing is left to fall to.', Loudness::markOf($start), $isAlike ? " and leads to $goal->value" : ''),
            new Remedy(Action::Dynamic, "Begin at $from", value: $from, at: $hairpin->onset),
        );
    }

    private function markAt(Sign $stop): ?Sign
    {
        foreach ($this->performance->score()->marks as $sign) {
            $distance = $sign->onset->minus($stop->onset)->toFloat();
            if ($sign->kind === 'dynamics' && $distance >= 0 && $distance <= self::NEAR && Loudness::velocityOf((string) $sign->value) !== null) {
                return $sign;
            }
        }

        return null;
    }

    /**
     * A sudden change within a phrase, with no moment of silence before it.
     *
     * @return list<Finding>
     */
    private function sudden(): array
    {
        $line = $this->performance->part(Line::class)->all;
        $breaths = array_fill_keys(array_map(fn (CommaMark $mark): string => $mark->note, $this->performance->plan->marksOf(CommaMark::class)), true);
        $silences = array_map(fn (array $silence): float => $silence[1], $this->performance->tempo()->silences());
        $isSilent = fn (Sign $sign): bool => array_filter($silences, fn (float $at): bool => abs($at - $sign->onset->toFloat()) < 1e-6) !== [];
        $findings = [];
        $before = null;
        $led = false;
        foreach ($this->performance->score()->marks as $sign) {
            if ($sign->kind === 'wedge') {
                $led = true;
            }
            $level = $sign->kind === 'dynamics' ? Loudness::velocityOf((string) $sign->value) : null;
            if ($level === null) {
                continue;
            }
            $grades = $before === null ? 0 : abs($level - $before) / Loudness::STEP;
            $last = self::noteEndingAt($line, $sign);
            $isInside = ! ($this->performance->part(Arcs::class)->at($sign->onset)?->phrase->from->equals($sign->onset) ?? true);
            if ($before !== null && ! $led && $isInside && $grades >= self::SUDDEN && $last !== null && ! isset($breaths[$last->id]) && ! $isSilent($sign)) {
                $findings[] = new Finding(
                    FindingKind::SubitoUnprepared, Severity::Hint, $sign->onset, $sign->measure, [$last->id], $grades, self::SUDDEN, Unit::Grades,
                    sprintf('%s comes at once after %s: it needs a clear last moment before it.', $sign->value, Loudness::markOf($before)),
                    new Remedy(Action::Breathe, 'A breath after '.$last->inWords(), [$last->id]),
                );
            }
            [$before, $led] = [$level, false];
        }

        return $findings;
    }

    /**
     * @param  list<array{Note, mixed}>  $line
     */
    private static function noteEndingAt(array $line, Sign $sign): ?Note
    {
        foreach ($line as [$note]) {
            if ($note->end()->equals($sign->onset)) {
                return $note;
            }
        }

        return null;
    }

    /**
     * @return list<Finding>
     */
    private function contradicted(): array
    {
        $written = $this->performance->written;
        $measures = array_column($written->measures, null, 'id');
        $findings = [];
        foreach ($this->performance->plan->marksOf(DynamicMark::class) as $mark) {
            $at = $mark->at->onset($measures);
            $printed = null;
            if ($at === null) {
                continue;
            }
            foreach ($written->signsOf('dynamics') as $sign) {
                $printed = $sign->onset->equals($at) ? Loudness::velocityOf((string) $sign->value) ?? $printed : $printed;
            }
            $own = Loudness::velocityOf($mark->dynamic);
            if ($printed !== null && $own !== null && abs($own - $printed) >= self::SUDDEN * Loudness::STEP - 1) {
                $findings[] = new Finding(
                    FindingKind::PrintContradicted, Severity::Hint, $at, $written->measureAt($at)->index, [], $own / Loudness::STEP, $printed / Loudness::STEP, Unit::Grades,
                    sprintf('%s is planned where %s is printed.', $mark->dynamic, Loudness::markOf($printed)), new Remedy(Action::AsPrinted, 'As printed', at: $at),
                );
            }
        }

        return $findings;
    }
}
