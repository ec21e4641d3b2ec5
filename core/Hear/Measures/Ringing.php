<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Measures;

use Tarnwind\Core\Hear\Attack;
use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\FootCurve;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\MeasureKind;
use Tarnwind\Core\Hear\Pair;
use Tarnwind\Core\Hear\Run;
use Tarnwind\Core\Pedal\Blur;
use Tarnwind\Core\Pedal\Moment;
use Tarnwind\Core\Pedal\Resonance;
use Tarnwind\Core\Pedal\Strike;
use Tarnwind\Core\Pedal\Timeline;
use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Sound\Loudness;

/**
 * What rang: blur under the foot as it really moved, with keys and strengths as they were, beside blur as planned.
 */
final class Ringing
{
    /**
     * @return list<Measure> one a bar that was played
     */
    public static function of(Comparison $comparison, FootCurve $planned, FootCurve $played): array
    {
        $measures = [];
        foreach ($comparison->runs as $run) {
            $heard = self::blur($comparison, $run, $played, true);
            $meant = self::blur($comparison, $run, $planned, false);
            $worst = [];
            foreach ($run->attacks as $index => $attack) {
                $worst[$attack->turn] ??= $index;
                $worst[$attack->turn] = $heard[$index] > $heard[$worst[$attack->turn]] ? $index : $worst[$attack->turn];
            }
            foreach ($worst as $turn => $index) {
                $attack = $run->attacks[$index];
                $most = max([0.0, ...array_map(fn (int $one): float => $meant[$one], array_keys(array_filter($run->attacks, fn (Attack $one): bool => $one->turn === $turn)))]);
                $off = $heard[$index] >= Blur::CLOUDY_FROM ? $heard[$index] - $most : 0.0;
                $measures[] = new Measure(MeasureKind::Blur, $attack->bar, $attack->at, $attack->notes(), $heard[$index], $most, $comparison->limit(MeasureKind::Blur), $off);
            }
        }

        return $measures;
    }

    /**
     * @return list<float> by attack
     */
    private static function blur(Comparison $comparison, Run $run, FootCurve $curve, bool $played): array
    {
        $performance = $comparison->performance;
        $harmonies = $performance->reading()->harmonies;
        $moments = [];
        foreach ($run->attacks as $attack) {
            $harmony = $harmonies === [] ? null : Search::last(count($harmonies), fn (int $index): bool => ! $attack->at->isLessThan($harmonies[$index]->from));
            $strikes = array_map(fn (Pair $pair): Strike => $played
                ? new Strike($pair->note->id, '', $pair->played->midi, $pair->played->onset / 1000, $pair->played->release / 1000, 10 ** ($pair->level / 20), false, $pair->hand, $pair->layer === Layer::Melody)
                : new Strike($pair->note->id, '', $pair->planned->midi, $pair->planned->startMs / 1000, $pair->planned->endMs / 1000, Loudness::amplitude($pair->planned->velocity), false, $pair->hand, $pair->layer === Layer::Melody), $attack->pairs);
            $moments[] = new Moment($attack->at, ($played ? $attack->played : $attack->planned) / 1000, $attack->bar, 1.0, $harmony, $strikes, false, 0.0, []);
        }
        $resonance = new Resonance(new Timeline($moments, $harmonies, $performance->tempo(), $performance->score()->measures), $performance->student->piano->acoustics());
        $foot = $curve->foot();

        return array_map(fn (int $index): float => $resonance->under($index, $foot, FootTiming::DOWN_AFTER)->blur(-INF), array_keys($moments));
    }
}
