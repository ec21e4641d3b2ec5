<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Intended;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Fraction;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Tempo\Course;
use Tarnwind\Core\Tempo\Hold;
use Tarnwind\Core\Tempo\Pace;
use Tarnwind\Core\Tempo\PacedTempo;
use Tarnwind\Core\Tempo\PlayedBars;
use Tarnwind\Core\Tempo\Silence;
use Tarnwind\Core\Tempo\TempoChange;
use Tarnwind\Core\Time\Checks\Pulse;
use Tarnwind\Core\Time\Checks\Rates;
use Tarnwind\Core\Time\Checks\Slowings;
use Tarnwind\Core\Time\Checks\Standing;
use Tarnwind\Core\Touch\Style;

/**
 * When things happen and why, as schemas/time.schema.json has it.
 */
final class TimeAnswer implements Answer
{
    /** So many bars before and after an edit are answered with it [start]. */
    private const ANSWERED = 4;

    /** So many more are looked at: a phrase or two [start]. */
    private const AROUND = 8;

    public static function restsOn(): array
    {
        return [Aspect::Time, Aspect::Phrases, Aspect::Harmony, Aspect::Layers, Aspect::Foot, Aspect::Intended];
    }

    public static function excerpt(): Excerpt
    {
        return Excerpt::ofBars(self::ANSWERED, self::AROUND);
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        [$score, $time] = [$performance->score(), $performance->part(TakenTime::class)];
        $told = $asked->told(count($score->measures));
        $printed = Course::printed($score, $performance->plan->tempo);
        $ceilings = Ceiling::all($score, $performance->tempo(), $performance->student->rates);
        $findings = Finding::inOrder([
            ...(new Pulse($score, $time))->findings(),
            ...(new Slowings($score, $time, $performance->reading()->boundaries, $printed))->findings(),
            ...(new Standing($performance, $time, $performance->student->piano->acoustics()->decay))->findings(),
            ...(new Rates($score, $time, $ceilings, new PacedTempo($printed, $score)))->findings(),
        ]);

        return [
            ...($asked->bars === null ? [] : ['bars' => $asked->bars->toArray()]),
            'first' => $time->course->first, 'school' => $performance->plan->settings(Timing::class)->school->value,
            'proposal' => self::proposal($performance, $asked),
            'beats' => self::beats($time, $told),
            'paces' => self::paces($score, $time),
            'holds' => self::holds($performance, $time, $told),
            'silences' => array_map(fn (Silence $silence): array => [
                'at' => (string) $silence->at, 'measure' => $score->measureAt($silence->at)->index, 'ms' => round($silence->seconds * 1000, 1), 'reason' => $silence->reason,
                'when' => $silence->when->value, 'mark' => $silence->mark,
            ], $time->course->silences),
            'endings' => self::endings($score, $time),
            'rubatos' => array_map(self::rubato(...), $time->rubatos),
            'limits' => array_map(
                fn (Ceiling $ceiling): array => ['measure' => $ceiling->measure, 'tempo' => round($ceiling->tempo, 1), 'repetition' => $ceiling->repetition],
                $told->of($ceilings, fn (Ceiling $ceiling): int => $ceiling->measure),
            ),
            'clock' => $asked->bars === null ? array_map(fn (array $bar): array => ['measure' => $bar['measure'], 'ms' => $bar['ms']], PlayedBars::of($score, $performance->tempo())) : [],
            'duration' => round(1000 * PlayedBars::duration($score, $performance->tempo()), 3),
            'ornaments' => $performance->plan->settings(Style::class)->ornaments()->toArray(),
            'findings' => array_map(fn (Finding $finding): array => $finding->toArray(), $told->of(
                Intended::of($performance->plan, TimeCraft::NAME)->without($findings, $performance->written), fn (Finding $finding): int => $finding->measure,
            )),
        ];
    }

    /**
     * What the piece suggests, with the places where it would take time.
     *
     * @return array<string, mixed>
     */
    private static function proposal(Performance $performance, Asked $asked): array
    {
        $proposed = ProposedSchool::of($performance->written, $performance->reading());
        $places = $asked->bars === null && $performance->plan->settings(Timing::class)->school === School::Strict && $proposed->school !== School::Strict
            ? ProposedPlaces::of($performance, $proposed->school) : [];

        return ['school' => $proposed->school->value, 'reason' => $proposed->reason, 'places' => $places];
    }

    /**
     * @return list<array<string, mixed>>
     */
    private static function beats(TakenTime $time, Bars $told): array
    {
        return array_map(function (TimedBeat $beat) use ($time): array {
            $entries = [];
            foreach ($beat->taken as $index => $ms) {
                $bend = $time->elapsed->bends[$index];
                $entries[] = ['kind' => $bend->kind->value, 'reason' => $bend->reason, 'ms' => round($ms, 3), 'mark' => $bend->mark];
            }

            return [
                'at' => (string) $beat->at, 'measure' => $beat->measure->index, 'length' => round($beat->to->minus($beat->at)->toFloat(), 6),
                'ms' => round($beat->ms(), 3), 'strict' => round($beat->strict, 3), 'entries' => $entries,
            ];
        }, $told->of($time->beats, fn (TimedBeat $beat): int => $beat->measure->index));
    }

    /**
     * @return list<array<string, mixed>>
     */
    private static function paces(Score $score, TakenTime $time): array
    {
        return array_map(fn (Pace $pace, Fraction $to): array => [
            'at' => (string) $pace->at, 'to' => (string) $to, 'measure' => $score->measureAt($pace->at)->index,
            'change' => match ($pace->change) {
                TempoChange::Gradual => $pace->value < 1 ? 'slowing' : 'quickening',
                TempoChange::Free => 'free',
                TempoChange::Back, TempoChange::First => 'back',
                TempoChange::AtOnce, TempoChange::Marked => 'tempo',
            },
            'says' => $pace->says,
            'share' => round($pace->change === TempoChange::Marked ? $pace->value / $time->paced->at($pace->at->toFloat() - 1e-6) : $pace->value, 4),
            'mark' => $pace->mark, 'printed' => $pace->mark === null && $pace->says !== FinalSlowing::SAYS,
        ], $time->course->paces, $time->paced->ends);
    }

    /**
     * @return list<array<string, mixed>>
     */
    private static function holds(Performance $performance, TakenTime $time, Bars $told): array
    {
        $decay = $performance->student->piano->acoustics()->decay;
        $holds = array_map(function (Hold $hold) use ($performance, $time, $decay): array {
            $written = $hold->written($time->paced->at($hold->from->toFloat()));
            $computed = $hold->computed($written, $decay);

            return [
                'at' => (string) $hold->from, 'to' => (string) $hold->to, 'measure' => $performance->written->measureAt($hold->from)->index, 'seconds' => round($hold->seconds ?? $computed, 3),
                'written' => round($written, 3), 'computed' => round($computed, 3), 'when' => $hold->when->value, 'mark' => $hold->mark,
            ];
        }, $time->course->holds);

        return $told->of($holds, fn (array $hold): int => $hold['measure']);
    }

    /**
     * What phrases take at their ends, the beat before the last with it.
     *
     * @return list<array<string, mixed>>
     */
    private static function endings(Score $score, TakenTime $time): array
    {
        $endings = [];
        foreach ($time->beats as $beat) {
            foreach ($beat->taken as $index => $ms) {
                $bend = $time->elapsed->bends[$index];
                if ($bend->before !== null) {
                    $ending = $endings[(string) $bend->before] ?? [
                        'at' => (string) $bend->before, 'measure' => $score->measureAt($bend->before)->index, 'longer' => 0.0, 'ms' => 0.0, 'reason' => $bend->reason, 'mark' => $bend->mark,
                    ];
                    $endings[(string) $bend->before] = [...$ending, 'longer' => round(max($ending['longer'], $bend->factor - 1), 4), 'ms' => round($ending['ms'] + $ms, 3)];
                }
            }
        }

        return array_values($endings);
    }

    /**
     * @return array<string, mixed>
     */
    private static function rubato(Rubato $rubato): array
    {
        return [
            'mark' => $rubato->mark->id, 'from' => (string) $rubato->from, 'to' => (string) $rubato->to, 'back' => $rubato->mark->back, 'owed' => round($rubato->owed() / 1000, 3),
            'beats' => array_map(fn (RubatoBeat $beat): array => [
                'at' => (string) $beat->at, 'ms' => round($beat->micros / 1000, 3), 'taken' => round($beat->taken / 1000, 3), 'open' => $beat->isOpen,
            ], $rubato->beats),
        ];
    }
}
