<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Take\PlayedNote;

/**
 * All that is said of a take, as schemas/take.schema.json has it.
 */
final class TakeDocument
{
    /**
     * @param  bool  $everything  whether what is as planned is told too, and not only faults
     * @return array<string, mixed>
     */
    public static function of(Review $review, Verdict $verdict, bool $everything = true): array
    {
        $comparison = $review->comparison;
        $passage = Passage::of($comparison);
        $words = new Words($comparison);
        $events = $comparison->rendition->events;
        $take = $comparison->take;
        $played = fn (PlayedNote $note): array => ['onset_ms' => round($note->onset, 3), 'release_ms' => round($note->release, 3), 'velocity' => $note->velocity];
        $free = fn (array $indexes): array => array_map(fn (int $index): array => ['midi' => $take->notes[$index]->midi, ...$played($take->notes[$index])], $indexes);
        $missing = array_values(array_filter($review->measures, fn (Measure $measure): bool => $measure->kind === MeasureKind::MissingNote));

        return [
            'passage' => [
                'first' => $passage->bars->first, 'last' => $passage->bars->last, 'hands' => array_map(fn (Hand $hand): string => $hand->value, $passage->hands),
                'rate' => round($passage->rate, 3), 'louder' => round($comparison->louder, 1),
            ],
            'tells' => ['pedal' => $take->pedal()->value, 'velocity' => $take->hasVelocity()],
            'matched' => array_map(fn (Pair $pair): array => ['note' => $pair->planned->note, ...$played($pair->played)], $comparison->pairs),
            'wrong' => array_map(fn (int $index, int $place): array => ['note' => $events[$place]->note, 'midi' => $take->notes[$index]->midi, ...$played($take->notes[$index])], array_keys($comparison->alignment->wrong), array_values($comparison->alignment->wrong)),
            'missing' => array_map(fn (Measure $measure): string => $measure->notes[0], $missing),
            'extra' => $free($comparison->alignment->extra), 'again' => $free($comparison->alignment->again),
            'pedal' => array_map(fn (PedalMove $move): array => $move->toArray(), $review->pedal),
            'measures' => array_map(fn (Measure $measure): array => [...$measure->toArray(), 'says' => $measure->isFault() ? $words->reason($measure) : ''], $everything ? $review->measures : $review->faults()),
            'findings' => array_map(fn (Finding $finding): array => $finding->toArray(), $review->findings),
            'verdict' => ['word' => $verdict->word, 'next' => array_map(fn (Advice $advice): array => $advice->toArray(), $verdict->next), 'better' => $verdict->better],
            'summary' => self::summary($review),
            'lanes' => self::lanes($review),
        ];
    }

    /**
     * How much of each kind was measured, and what of it is wanting: what charts over several takes are made of.
     *
     * @return list<array{kind: string, measured: int, faults: int, value: float}>
     */
    private static function summary(Review $review): array
    {
        $kinds = [];
        foreach ($review->measures as $measure) {
            $kinds[$measure->kind->value][] = $measure;
        }
        $summary = [];
        foreach ($kinds as $kind => $measures) {
            $summary[] = [
                'kind' => $kind, 'measured' => count($measures), 'faults' => count(array_filter($measures, fn (Measure $measure): bool => $measure->isFault())),
                'value' => round(Statistics::mean(array_map(fn (Measure $measure): float => $measure->off, $measures)), 3),
            ];
        }

        return $summary;
    }

    /**
     * Where a key is left that is held for so many ms of the plan: in quarters; at its bar's end where that is played once more later.
     */
    private static function until(Lanes $lanes, float $from, float $length): float
    {
        return round($lanes->at($from + $length) ?? $lanes->at($from) ?? 0.0, 3);
    }

    /**
     * What is drawn under the lines, by place in the score.
     *
     * @return array<string, mixed>
     */
    private static function lanes(Review $review): array
    {
        $comparison = $review->comparison;
        $lanes = new Lanes($comparison->performance);
        $notes = $time = $foot = [];
        foreach ($comparison->runs as $run) {
            foreach ($run->attacks as $index => $attack) {
                $next = $run->attacks[$index + 1] ?? null;
                if ($lanes->at($attack->planned) === null) {
                    continue;
                }
                foreach ($attack->pairs as $pair) {
                    $length = ($pair->played->release - $pair->played->onset) / $run->paceAround($index);
                    $notes[] = [
                        'note' => $pair->note->id, 'at' => $attack->at->toFloat(), 'layer' => $pair->layer->value, 'level' => round($pair->level, 1), 'planned' => round($pair->plannedLevel, 1),
                        'until' => self::until($lanes, $pair->planned->startMs, $length), 'planned_until' => self::until($lanes, $pair->planned->startMs, $pair->planned->endMs - $pair->planned->startMs),
                    ];
                }
                if ($next !== null && $next->planned - $attack->planned >= 1 && $next->played > $attack->played) {
                    $time[] = ['at' => $attack->at->toFloat(), 'rate' => round(($next->planned - $attack->planned) / ($next->played - $attack->played), 3)];
                }
            }
            foreach (FootCurve::played($comparison->take->foot, $run->last()->played)->steps as [$ms, $depth]) {
                if ($ms >= $run->first()->played - 500 && $ms <= $run->last()->played + 3000) {
                    $foot[] = [$run->planned($ms), $depth];
                }
            }
        }
        $planned = FootCurve::planned($comparison->rendition->pedal, 0.0)->steps;

        return ['notes' => $notes, 'time' => $time, 'foot' => $lanes->foot($foot), 'planned_foot' => $lanes->foot($planned)];
    }
}
