<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

/**
 * Says why the pedal is where it is, with numbers.
 */
final class Reasons
{
    /** Seconds within which the foot and the hands come up together. */
    private const TOGETHER = 0.03;

    /** From this key on the lowest note is no bass to a listener. */
    private const MIDDLE = 60;

    /**
     * @return list<string>
     */
    public static function of(Timeline $timeline, OpenSpan $open): array
    {
        $moment = $timeline->moments[$open->from];
        $harmony = $timeline->harmonyAt($open->from);
        $before = $open->from > 0 ? $timeline->moments[$open->from - 1]->harmony : null;
        $reasons = [];
        if ($harmony !== null && $moment->harmony !== $before) {
            $reasons[] = "new harmony: {$harmony->printedName()} ({$harmony->numeral})";
        } elseif ($moment->needsJoin) {
            $reasons[] = 'joins what the fingers cannot';
        } elseif ($harmony !== null) {
            $reasons[] = "within {$harmony->printedName()} ({$harmony->numeral})";
        }
        if ($moment->bass !== null && $open->bassCaught !== null && ($open->bassCaught || $open->bassWasThere)) {
            $struck = $moment->bass->onset >= $moment->seconds - 1e-6;
            $window = $open->timing->window === null || ! $struck ? '' : ", window {$open->timing->window} ms";
            $reasons[] = ($moment->bass->midi < self::MIDDLE ? 'bass' : 'lowest note')." {$moment->bass->name}".($open->bassCaught ? ($struck ? ' caught' : ' kept') : ' lost').$window;
        }
        if ($open->withoutChange !== null) {
            $reasons[] = 'without the change blur '.Blur::inWords($open->withoutChange);
        }
        $worst = 'blur at most '.Blur::inWords($open->worst);
        $reasons[] = $open->worst >= Blur::VEILED_FROM ? "$worst, in bar ".$timeline->measures[$timeline->moments[$open->worstMoment]->measure]->number : $worst;
        if (! $open->span->depth->isFull()) {
            $reasons[] = "{$open->span->depth->inWords()} pedal keeps the low strings and thins the upper ones";
        }
        if ($open->changes && $open->timing->smears !== null) {
            $reasons[] = "an early foot catches {$open->timing->smears}";
        }
        $reasons[] = self::ofEnd($timeline, $open);

        return $reasons;
    }

    private static function ofEnd(Timeline $timeline, OpenSpan $open): string
    {
        $end = $timeline->momentAt($open->span->up);
        $moment = $timeline->moments[$end];
        if ($end === count($timeline->moments) - 1) {
            return 'held to the end';
        }
        if ($moment->silence > 0) {
            return sprintf('up for the rest of %.1f s', $moment->silence);
        }
        $up = $timeline->tempo->seconds($open->span->up);
        if ($moment->at->isLessThan($open->span->up) && array_filter($moment->strikes, fn (Strike $strike): bool => $strike->release > $up + self::TOGETHER) === []) {
            return 'up with the hands';
        }
        if ($moment->dryShare() > 0) {
            return 'up for the staccato';
        }
        if ($moment->harmony !== $timeline->moments[$open->from]->harmony) {
            return 'up with the next harmony';
        }

        return 'up to clear the sound';
    }
}
