<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Practice\Chain;
use Tarnwind\Core\Practice\Gates;
use Tarnwind\Core\Practice\PracticePlan;
use Tarnwind\Core\Practice\Step;
use Tarnwind\Core\Practice\StepKind;

/**
 * What a teacher says after a take: at most three things to do next, what got better, and a good word.
 */
final readonly class Verdict
{
    /** Things to do next. */
    private const MOST = 3;

    /** A fault counts up to so many times its limit, and in so many bars [start]. */
    private const WORST = 4.0;

    private const BARS = 6;

    /** How much subjects matter, in the two ways of reviewing [start]. */
    private const NOTES_FIRST = ['notes' => 3.0, 'time' => 2.2, 'touch' => 1.3, 'foot' => 1.5, 'balance' => 1.2, 'shape' => 1.0];

    private const SOUND_FIRST = ['notes' => 0.0, 'time' => 1.4, 'touch' => 1.5, 'foot' => 2.2, 'balance' => 2.4, 'shape' => 2.6];

    /** Measures of a side that a word of praise rests on. */
    private const PRAISED = 4;

    /**
     * @param  list<Advice>  $next  the most important first
     * @param  list<string>  $better  what was heard in the take before and is not any more, in words to the student
     * @param  string  $word  a good one
     */
    private function __construct(
        public array $next,
        public array $better,
        public string $word,
    ) {
    }

    /**
     * @param  Gates  $first  notes and rhythm, or impulse and sound: then slips are left out
     * @param  ?PracticePlan  $practice  where the steps are that train what is to be done
     * @param  ?Review  $before  of an earlier take
     */
    public static function of(Review $review, Gates $first = Gates::Notes, ?PracticePlan $practice = null, ?Review $before = null): self
    {
        $words = new Words($review->comparison);
        $kinds = [];
        foreach ($review->faults() as $measure) {
            $kinds[$measure->kind->value][] = $measure;
        }
        $weights = $first === Gates::Sound ? self::SOUND_FIRST : self::NOTES_FIRST;
        $ranked = [];
        foreach ($kinds as $faults) {
            $kind = $faults[0]->kind;
            // Without a stop there is no sound to be spoken of either.
            $weight = $kind === MeasureKind::Stop && $first === Gates::Sound ? 1.0 : $weights[$kind->subject()->value];
            if ($weight > 0) {
                $ranked[] = [$weight * self::heaviness($faults), $faults];
            }
        }
        usort($ranked, fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $next = [];
        foreach ($ranked as [, $faults]) {
            // Of one side one thing is enough at a time.
            if (count($next) < self::MOST && ! isset($next[$faults[0]->kind->subject()->value])) {
                $next[$faults[0]->kind->subject()->value] = self::advice($faults, $words, $practice);
            }
        }

        return new self(array_values($next), $before === null ? [] : self::better($review, $before), self::word($review));
    }

    /**
     * Whether a take opens the gate of a step: its bars, its hands and its tempo, and in the one school no slips that matter, in the other a
     * sound as planned.
     */
    public static function opens(Step $step, Review $review, Gates $gates): bool
    {
        $comparison = $review->comparison;
        if ($comparison->last < 0 || ! Passage::of($comparison)->covers($step)) {
            return false;
        }
        $wanted = $gates === Gates::Notes ? [Subject::Notes, Subject::Time] : [Subject::Shape, Subject::Balance, Subject::Foot];
        foreach ($review->faults() as $fault) {
            $isHeld = in_array($fault->kind->subject(), $wanted, true) || $fault->kind === MeasureKind::Stop;
            if ($isHeld && $step->bars->has($fault->bar)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  non-empty-list<Measure>  $faults  of one kind
     */
    private static function heaviness(array $faults): float
    {
        $worst = max(array_map(fn (Measure $measure): float => $measure->limit > 0 ? min(self::WORST, $measure->off / $measure->limit) : 1.5, $faults));
        $bars = count(array_unique(array_map(fn (Measure $measure): int => $measure->bar, $faults)));

        return $worst * sqrt(min(self::BARS, $bars));
    }

    /**
     * @param  non-empty-list<Measure>  $faults  of one kind
     */
    private static function advice(array $faults, Words $words, ?PracticePlan $practice): Advice
    {
        $worst = $faults[0];
        foreach ($faults as $fault) {
            $worst = $fault->off > $worst->off ? $fault : $worst;
        }
        $bars = array_values(array_unique(array_map(fn (Measure $measure): int => $measure->bar, $faults)));
        sort($bars);

        return new Advice($worst->kind, $bars, $words->heard($worst), $words->try($worst), $practice === null ? null : self::step($practice, $worst), $worst);
    }

    /**
     * The step that trains something at a bar: one made for it, else the smallest that has the bar with both hands.
     */
    private static function step(PracticePlan $practice, Measure $measure): ?Step
    {
        $wanted = match ($measure->kind) {
            MeasureKind::Smear, MeasureKind::Gap, MeasureKind::MissedPedal, MeasureKind::ExtraPedal, MeasureKind::LateLift => [StepKind::PedalAlone, StepKind::Blocks],
            MeasureKind::BassLost, MeasureKind::Bass => [StepKind::MelodyAndBass, StepKind::Outer],
            MeasureKind::Filling => [StepKind::MelodyAndBass, StepKind::SilentInner],
            MeasureKind::TopNote => [StepKind::SilentInner, StepKind::Outer],
            MeasureKind::Evenness => [StepKind::GroupsOfFour, StepKind::WeakBeats],
            MeasureKind::Ratio, MeasureKind::CrossRhythm, MeasureKind::ShortRest => [StepKind::Tapped],
            MeasureKind::Unjoined, MeasureKind::Overlap, MeasureKind::LetGo => [StepKind::WithoutPedal],
            MeasureKind::Hesitation, MeasureKind::Stop => [StepKind::Link, StepKind::Blocks],
            MeasureKind::Goal, MeasureKind::Flat, MeasureKind::Headroom => [StepKind::Line],
            default => [],
        };
        foreach ([...$wanted, StepKind::Together] as $kind) {
            foreach ($practice->chains as $chain) {
                $step = self::first($chain, $kind);
                if ($step !== null && $step->bars->has($measure->bar)) {
                    return $step;
                }
            }
        }

        return null;
    }

    private static function first(Chain $chain, StepKind $kind): ?Step
    {
        foreach ($chain->steps as $step) {
            if ($step->kind === $kind) {
                return $step;
            }
        }

        return null;
    }

    /**
     * What was a fault in the take before and was measured again without one, in the bars that both have.
     *
     * @return list<string>
     */
    private static function better(Review $review, Review $before): array
    {
        $places = fn (array $measures): array => array_fill_keys(array_map(fn (Measure $measure): string => "{$measure->kind->value} $measure->bar", $measures), true);
        [$now, $measured] = [$places($review->faults()), array_fill_keys(array_map(fn (Measure $measure): int => $measure->bar, $review->measures), true)];
        $gone = [];
        foreach ($before->faults() as $fault) {
            if (isset($measured[$fault->bar]) && ! isset($now["{$fault->kind->value} $fault->bar"])) {
                $gone[$fault->kind->value][$fault->bar] = true;
            }
        }
        uasort($gone, fn (array $a, array $b): int => count($b) <=> count($a));
        $numbers = array_map(fn ($measure): string => $measure->number, $review->comparison->performance->score()->measures);
        $better = [];
        foreach (array_slice($gone, 0, self::MOST, true) as $kind => $bars) {
            $named = array_map(fn (int $bar): string => $numbers[$bar], array_slice(array_keys($bars), 0, self::MOST));
            $better[] = MeasureKind::from($kind)->label().': better in '.(count($named) === 1 ? 'bar ' : 'bars ').implode(', ', $named).(count($bars) > self::MOST ? ' and '.(count($bars) - self::MOST).' more' : '').'.';
        }

        return $better;
    }

    /**
     * What was good, with its number.
     */
    private static function word(Review $review): string
    {
        $comparison = $review->comparison;
        $notes = count($comparison->pairs);
        if ($notes === 0) {
            return 'Nothing of this piece was heard.';
        }
        if ($review->faults() === []) {
            return "As planned: all $notes notes, and nothing to be said against time, touch or sound. Keep it.";
        }
        $all = $faults = [];
        foreach ($review->measures as $measure) {
            $subject = $measure->kind->subject()->value;
            $all[$subject] = ($all[$subject] ?? 0) + 1;
            $faults[$subject] = ($faults[$subject] ?? 0) + ($measure->isFault() ? 1 : 0);
        }
        $clean = count(array_filter($review->pedal, fn (PedalMove $move): bool => $move->kind === PedalMoveKind::Clean));

        return match (true) {
            $clean >= self::PRAISED && ($faults['foot'] ?? 1) === 0 => "All $clean moves of the pedal are clean.",
            ($faults['notes'] ?? 0) === 0 => "Every one of $notes notes is right.",
            ($all['time'] ?? 0) >= self::PRAISED && ($faults['time'] ?? 1) === 0 => 'The time is steady throughout.',
            ($all['balance'] ?? 0) >= self::PRAISED && ($faults['balance'] ?? 1) === 0 => 'The melody sings over what is under it, everywhere.',
            ($all['shape'] ?? 0) >= self::PRAISED && ($faults['shape'] ?? 1) === 0 => 'Every phrase goes where it is to go.',
            ($all['touch'] ?? 0) >= self::PRAISED && ($faults['touch'] ?? 1) === 0 => 'Joined and short are as planned.',
            $clean > 0 && 2 * $clean > count($review->pedal) => "$clean of ".count($review->pedal).' moves of the pedal are clean.',
            default => "$notes notes are right.",
        };
    }
}
