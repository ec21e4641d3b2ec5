<?php

declare(strict_types=1);

namespace Tarnwind\Core\Practice;

use Tarnwind\Core\Reading\Boundary;
use Tarnwind\Core\Score\Bars;
use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;

/**
 * Cuts a piece into what is practised as one: phrases, and long ones into equal parts of two to four bars [trade].
 */
final class ChunkCutter
{
    private const MOST = 4;

    private const FEWEST = 2;

    /**
     * @param  list<Boundary>  $boundaries
     * @param  list<ChunkMark>  $own
     * @return list<array{bars: Bars, own: bool}> that follow each other from the first bar to the last
     */
    public static function cut(Score $score, array $boundaries, array $own): array
    {
        $chunks = [];
        foreach (self::phrases($score, $boundaries) as $bars) {
            foreach (self::parts($bars) as $part) {
                $chunks[] = ['bars' => $part, 'own' => false];
            }
        }
        $index = array_flip(array_map(fn (Measure $measure): string => $measure->id, $score->measures));
        foreach ($own as $mark) {
            [$first, $last] = [$index[$mark->first] ?? null, $index[$mark->last] ?? null];
            if ($first !== null && $last !== null && $first <= $last) {
                $chunks = self::around($chunks, new Bars($first, $last));
            }
        }

        return $chunks;
    }

    /**
     * The bars of each phrase: one that begins with an up-beat begins with the bar after it.
     *
     * @param  list<Boundary>  $boundaries
     * @return list<Bars>
     */
    private static function phrases(Score $score, array $boundaries): array
    {
        $count = count($score->measures);
        $starts = [0 => true];
        foreach ($boundaries as $boundary) {
            $measure = $score->measureAt($boundary->at);
            $bar = $measure->index + ($boundary->at->equals($measure->start) ? 0 : 1);
            $starts += $bar < $count ? [$bar => true] : [];
        }
        $starts = array_keys($starts);
        sort($starts);
        // A pickup belongs to the first phrase, and a bar by itself to what comes before it.
        $starts = array_values(array_filter($starts, fn (int $start, int $place): bool => $place === 0 || ($start - $starts[$place - 1] >= self::FEWEST && $count - $start >= self::FEWEST), ARRAY_FILTER_USE_BOTH));

        return array_map(fn (int $start, int $place): Bars => new Bars($start, ($starts[$place + 1] ?? $count) - 1), $starts, array_keys($starts));
    }

    /**
     * @return list<Bars>
     */
    private static function parts(Bars $phrase): array
    {
        $left = $phrase->count();
        $first = $phrase->first;
        $parts = [];
        for ($number = (int) ceil($left / self::MOST); $number > 0; $number--) {
            $bars = (int) ceil($left / $number);
            $parts[] = new Bars($first, $first + $bars - 1);
            [$first, $left] = [$first + $bars, $left - $bars];
        }

        return $parts;
    }

    /**
     * Chunks with one more among them, and of those it meets what is left of them.
     *
     * @param  list<array{bars: Bars, own: bool}>  $chunks
     * @return list<array{bars: Bars, own: bool}>
     */
    private static function around(array $chunks, Bars $own): array
    {
        $found = [];
        foreach ($chunks as $chunk) {
            if (! $chunk['bars']->meets($own)) {
                $found[] = $chunk;

                continue;
            }
            foreach ([new Bars($chunk['bars']->first, $own->first - 1), new Bars($own->last + 1, $chunk['bars']->last)] as $rest) {
                if ($rest->count() > 0) {
                    $found[] = [...$chunk, 'bars' => $rest];
                }
            }
        }
        $found[] = ['bars' => $own, 'own' => true];
        usort($found, fn (array $a, array $b): int => $a['bars']->first <=> $b['bars']->first);

        return $found;
    }
}
