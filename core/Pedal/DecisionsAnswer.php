<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Performance\Performance;

/**
 * What else the foot could do at the place that is asked for.
 */
final class DecisionsAnswer implements Answer
{
    public static function restsOn(): array
    {
        return PedalAnswer::restsOn();
    }

    public static function excerpt(): Excerpt
    {
        return PedalAnswer::excerpt();
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        $timeline = $performance->part(Timeline::class);
        $pedals = $performance->pedals();
        $policy = Policies::of($timeline, $performance->plan->settings(PedalSettings::class), Suggestion::passages($performance), foot: $performance->student->foot);
        $resonance = new Resonance($timeline, $performance->student->piano->acoustics(), $pedals);

        return ['decisions' => array_map(fn (Decision $one): array => $one->toArray(), Decisions::at($timeline, $pedals, $policy, $resonance, $asked->fraction('at')))];
    }
}
