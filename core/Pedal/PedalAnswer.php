<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Craft\Answer;
use Tarnwind\Core\Craft\Asked;
use Tarnwind\Core\Craft\Excerpt;
use Tarnwind\Core\Findings\Intended;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Plan\Aspect;

/**
 * What rings under a pedalling, what is caught at every change, and what is wrong with it: everywhere, or around some bars,
 * widened to the whole of every pedal that touches them.
 */
final class PedalAnswer implements Answer
{
    public static function restsOn(): array
    {
        return [...Timeline::restsOn(), Aspect::Foot, Aspect::Intended];
    }

    public static function excerpt(): Excerpt
    {
        return Excerpt::ofPart(Timeline::class);
    }

    public static function of(Performance $performance, Asked $asked): array
    {
        $timeline = $performance->part(Timeline::class);
        [$from, $to] = $asked->bars === null ? [null, null] : $timeline->places($asked->bars);
        $examination = Examiner::examine($timeline, $performance->spans(), $performance->student->piano->kind->decay(), $from, $to);

        $findings = Intended::of($performance->plan, PedalCraft::NAME)->without($examination->findings, $performance->written);

        return [
            ...($asked->bars === null ? [] : ['bars' => $asked->bars->toArray()]),
            'from' => (string) $examination->from, 'to' => (string) $examination->to, ...$examination->saying($findings)->toArray(),
        ];
    }
}
