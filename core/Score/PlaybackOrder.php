<?php

declare(strict_types=1);

namespace Tarnwind\Core\Score;

/**
 * Unfolds repeats, endings, da capo, dal segno, fine and coda into the order of playing.
 */
final class PlaybackOrder
{
    /**
     * After a da capo or dal segno repeats are not played again and the last ending is taken, as is usual.
     *
     * @param  list<MeasureFlow>  $flow  one for each bar
     * @param  int  $most  bars to play; the rest is left out
     * @return list<int> bar indexes
     */
    public static function unfold(array $flow, int $most = PHP_INT_MAX): array
    {
        $order = [];
        $count = count($flow);
        $endings = self::endings($flow);
        $repeatStart = 0;
        $pass = 1;
        $afterJump = false;
        $jumped = [];
        $index = 0;
        while ($index < $count && count($order) < $most) {
            $bar = $flow[$index];
            if ($bar->repeatStart && $index !== $repeatStart) {
                $repeatStart = $index;
                $pass = 1;
            }
            $ending = $endings[$index];
            if ($ending !== null) {
                $wanted = $afterJump ? $ending->last : in_array($pass, $ending->numbers, true);
                if (! $wanted) {
                    $index = $ending->to + 1;

                    continue;
                }
            }
            $order[] = $index;
            if ($afterJump && $bar->fine) {
                break;
            }
            if ($afterJump && $bar->toCoda) {
                $coda = self::firstAfter($flow, $index, fn (MeasureFlow $f): bool => $f->coda);
                if ($coda !== null) {
                    $index = $coda;

                    continue;
                }
            }
            $more = $ending !== null && $ending->to === $index ? max($ending->times, $bar->repeatTimes) : $bar->repeatTimes;
            if ($bar->repeatTimes > 0 && ! $afterJump && $pass < $more) {
                $pass++;
                $index = $repeatStart;

                continue;
            }
            if ($bar->repeatTimes > 0 || ($ending !== null && $ending->last && $ending->to === $index)) {
                $repeatStart = $index + 1;
                $pass = 1;
            }
            if (($bar->daCapo || $bar->dalSegno) && ! isset($jumped[$index])) {
                $jumped[$index] = true;
                $afterJump = true;
                $index = $bar->daCapo ? 0 : (self::lastBefore($flow, $index) ?? 0);
                $repeatStart = $index;
                $pass = 1;

                continue;
            }
            $index++;
        }

        return $order;
    }

    /**
     * The ending each bar stands in.
     *
     * @param  list<MeasureFlow>  $flow
     * @return list<?Ending>
     */
    private static function endings(array $flow): array
    {
        $count = count($flow);
        $result = array_fill(0, $count, null);
        /** @var list<array{int, int, list<int>}> $group */
        $group = [];
        for ($index = 0; $index < $count; $index++) {
            if ($flow[$index]->endingNumbers === []) {
                continue;
            }
            $to = $index;
            while ($to + 1 < $count && ! $flow[$to]->endingStops && $flow[$to + 1]->endingNumbers === []) {
                $to++;
            }
            if ($group !== [] && $group[count($group) - 1][1] + 1 !== $index) {
                $result = self::mark($result, $group);
                $group = [];
            }
            $group[] = [$index, $to, $flow[$index]->endingNumbers];
            $index = $to;
        }

        return self::mark($result, $group);
    }

    /**
     * @param  array<int, ?Ending>  $result
     * @param  list<array{int, int, list<int>}>  $group  endings that follow each other
     * @return list<?Ending>
     */
    private static function mark(array $result, array $group): array
    {
        $times = 0;
        foreach ($group as [, , $numbers]) {
            $times = max($times, ...$numbers);
        }
        foreach ($group as $place => [$from, $to, $numbers]) {
            for ($index = $from; $index <= $to; $index++) {
                $result[$index] = new Ending($to, $numbers, $times, $place === count($group) - 1);
            }
        }

        return array_values($result);
    }

    /**
     * @param  list<MeasureFlow>  $flow
     * @param  callable(MeasureFlow): bool  $test
     */
    private static function firstAfter(array $flow, int $index, callable $test): ?int
    {
        for ($next = $index + 1; $next < count($flow); $next++) {
            if ($test($flow[$next])) {
                return $next;
            }
        }

        return null;
    }

    /**
     * @param  list<MeasureFlow>  $flow
     */
    private static function lastBefore(array $flow, int $index): ?int
    {
        for ($earlier = $index; $earlier >= 0; $earlier--) {
            if ($flow[$earlier]->segno) {
                return $earlier;
            }
        }

        return null;
    }
}
