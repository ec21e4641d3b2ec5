<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Findings\Finding;
use Tarnwind\Core\Findings\Intended;
use Tarnwind\Core\Findings\Repeats;
use Tarnwind\Core\Findings\Severity;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;

/**
 * What rings under a pedalling, what is caught at every change, and what is wrong with it: everywhere, or around some bars,
 * widened to the whole of every pedal that touches them.
 */
final class PedalAnswer implements Answer
{
    /** So many quick changes tire [start]. */
    private const GOES_ON = 3;

    /** Of dampers off nothing is said to be missing. */
    private const NOT_MISSED = [FindingKind::PedalNeeded, FindingKind::GapInLine];

    public static function restsOn(): array
    {
        return [...Timeline::restsOn(), Aspect::Foot, Aspect::Intended, Aspect::Suggestions];
    }

    public static function excerpt(): Excerpt
    {
        return Excerpt::ofPart(Timeline::class);
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        $timeline = $performance->part(Timeline::class);
        [$from, $to] = $asked->bars === null ? [null, null] : $timeline->around($asked->bars, $performance);
        $pedals = $performance->pedals();
        $resonance = new Resonance($timeline, $performance->student->piano->acoustics(), $pedals);
        $examination = Examiner::examine($timeline, $pedals, $resonance, $from, $to, $performance->student->foot);
        $checked = PedalChecks::of($timeline, $pedals, $performance->student, $resonance, $timeline->printed($performance->written), $examination->from, $examination->to);
        $all = Finding::inOrder([...$examination->findings, ...$checked]);
        $told = $performance->plan->settings(PedalSettings::class)->school === School::DampersOff
            ? array_values(array_filter($all, fn (Finding $finding): bool => ! in_array($finding->kind, self::NOT_MISSED, true))) : $all;
        $meant = Intended::of($performance->plan, PedalCraft::NAME)->without($told, $performance->written);
        $findings = Repeats::once(self::worthSaying($meant), $performance->written, self::sameness(...));

        return [
            ...($asked->bars === null ? [] : ['bars' => $asked->bars->toArray()]),
            'from' => (string) $examination->from, 'to' => (string) $examination->to, ...$examination->saying($findings)->toArray(),
        ];
    }

    /**
     * What makes a remark the same in other bars; null for what stands by itself.
     */
    private static function sameness(Finding $finding): ?string
    {
        return in_array($finding->kind, self::NOT_MISSED, true) || self::isTiring($finding) ? (string) $finding->kind->value : null;
    }

    /**
     * Without what tires only if it goes on, where it does not.
     *
     * @param  list<Finding>  $findings
     * @return list<Finding>
     */
    private static function worthSaying(array $findings): array
    {
        return count(array_filter($findings, self::isTiring(...))) >= self::GOES_ON ? $findings : array_values(array_filter($findings, fn (Finding $finding): bool => ! self::isTiring($finding)));
    }

    private static function isTiring(Finding $finding): bool
    {
        return $finding->kind === FindingKind::FootTooFast && $finding->severity === Severity::Hint;
    }
}
