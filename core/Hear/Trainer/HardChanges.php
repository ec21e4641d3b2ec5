<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Trainer;

use Tarnwind\Core\Hear\FootCurve;
use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Reading\InWords;
use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Rendition\Renderer;
use Tarnwind\Core\Rendition\Rendition;
use Tarnwind\Core\Take\StruckKeys;
use Tarnwind\Core\Tempo\PlayedBars;

/**
 * The changes of a piece that leave a foot the least time, as exercises: two bars around each, with the windows they have there.
 */
final class HardChanges
{
    /** Exercises that are made of a piece, and bars of each. */
    private const MOST = 5;

    private const BARS = 2;

    /** A pedal that comes up and goes down again within this is changed, in ms. */
    private const CHANGE = 400.0;

    /** ms before the first stroke. */
    private const LEAD = 1200.0;

    /** Share of the tempo of the plan at which one begins. */
    public const RATE = 0.7;

    /**
     * @return list<array{first: int, window: float, place: string}> the hardest first: index of the first bar, ms of the smallest window, bars in words
     */
    public static function of(Performance $performance): array
    {
        $rendition = self::rendition($performance);
        $bars = PlayedBars::of($performance->score(), $performance->tempo());
        $numbers = array_map(fn ($measure): string => $measure->number, $performance->score()->measures);
        $found = [];
        foreach (self::changes($rendition) as [$at, $window]) {
            $bar = $bars[self::barAt($bars, $at)]['measure'];
            $found[$bar] = min($found[$bar] ?? INF, $window);
        }
        asort($found);
        $hard = $taken = [];
        foreach ($found as $bar => $window) {
            if (! isset($taken[$bar]) && count($hard) < self::MOST) {
                $count = min(self::BARS, count($numbers) - $bar);
                $hard[] = ['first' => $bar, 'window' => round($window), 'place' => InWords::bars($numbers, $bar, $count)];
                $taken[$bar - 1] = $taken[$bar] = $taken[$bar + 1] = true;
            }
        }

        return $hard;
    }

    /**
     * @param  int  $first  index of the first bar
     * @param  float  $rate  share of the tempo of the plan
     */
    public static function exercise(Performance $performance, int $first, float $rate, float $tolerance): Exercise
    {
        $rendition = self::rendition($performance);
        $bars = PlayedBars::of($performance->score(), $performance->tempo());
        $measures = $performance->score()->measures;
        $turn = array_search($first, array_column($bars, 'measure'), true);
        $turn = $turn === false ? 0 : $turn;
        $last = max(array_map(fn (KeyEvent $event): float => $event->endMs, $rendition->events) ?: [0.0]);
        [$from, $to] = [$bars[$turn]['ms'], $bars[$turn + self::BARS]['ms'] ?? $last];
        $at = fn (float $ms): float => self::LEAD + ($ms - $from) / $rate;
        $strokes = [];
        foreach ($rendition->events as $event) {
            if ($event->startMs >= $from - 1 && $event->startMs < $to - 1) {
                $strokes[] = ['at' => $at($event->startMs), 'midi' => [$event->midi], 'length' => ($event->endMs - $event->startMs) / $rate, 'velocity' => $event->velocity];
            }
        }
        $changes = [];
        foreach (self::changes($rendition) as [$ms, $window]) {
            if ($ms >= $from - 1 && $ms < $to - 1) {
                $changes[] = [$at($ms), min($window / $rate, 1000 * FootTiming::DOWN_AFTER + $tolerance)];
            }
        }
        $count = min(self::BARS, count($measures) - $measures[$bars[$turn]['measure']]->index);

        return Exercise::ofPassage(
            $strokes, $changes, $at($to), $performance->tempo()->quartersPerMinute() * $rate, $tolerance, InWords::bars(array_map(fn ($measure): string => $measure->number, $measures), $bars[$turn]['measure'], $count),
        );
    }

    private static function rendition(Performance $performance): Rendition
    {
        $rendition = Renderer::play($performance);

        return new Rendition(StruckKeys::of($rendition->events), $rendition->pedal, $rendition->tempo);
    }

    /**
     * @return list<array{float, float}> ms of the new sound, and ms after it by which the foot must be down
     */
    private static function changes(Rendition $rendition): array
    {
        $changes = [];
        $presses = FootCurve::planned($rendition->pedal, 0.0)->presses;
        foreach ($presses as $index => $press) {
            $before = $presses[$index - 1] ?? null;
            if ($before === null || $press->down - $before->up > self::CHANGE) {
                continue;
            }
            $at = $before->up - 1000 * FootTiming::UP_AFTER;
            $struck = array_values(array_filter($rendition->events, fn (KeyEvent $event): bool => abs($event->startMs - $at) < 60));
            if ($struck !== []) {
                $begin = min(array_map(fn (KeyEvent $event): float => $event->startMs, $struck));
                // The lowest key is the one that must be caught.
                usort($struck, fn (KeyEvent $a, KeyEvent $b): int => $a->midi <=> $b->midi);
                $changes[] = [$begin, max(1000 * FootTiming::CLEARING, $struck[0]->endMs - $begin - 1000 * FootTiming::MARGIN)];
            }
        }

        return $changes;
    }

    /**
     * @param  list<array{measure: int, ms: float, beats: list<float>}>  $bars
     */
    private static function barAt(array $bars, float $ms): int
    {
        $turn = 0;
        foreach ($bars as $index => $bar) {
            $turn = $bar['ms'] <= $ms + 1 ? $index : $turn;
        }

        return $turn;
    }
}
