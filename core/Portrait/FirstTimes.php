<?php

declare(strict_types=1);

namespace Tarnwind\Core\Portrait;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;

/**
 * What a piece has for the first time when it is well under way, and the hands do not expect it.
 */
final class FirstTimes
{
    /** Bars that must have gone by, and share of the piece [start]. */
    private const BARS = 8;

    private const SHARE = 0.25;

    /** Notes of a kind in its first bar, or it is an ornament of the bar [start]. */
    private const NOTES = 3;

    /** Kinds of which one is enough. */
    private const SINGLE = ['grace notes', 'rolled chords'];

    /** Note values by their share of a quarter, quickest first. */
    private const VALUES = ['64ths' => 16, '32nds' => 8, 'sixteenths' => 4, 'eighths' => 2];

    /**
     * @return list<Line> by bar
     */
    public static function of(Score $score): array
    {
        $first = $few = [];
        foreach (self::byBar($score) as $bar => $notes) {
            foreach (self::kinds($notes) as $kind => $count) {
                if (! isset($first[$kind]) && $count < self::NOTES && ! in_array($kind, self::SINGLE, true)) {
                    $few[$kind] = true;
                }
                $first[$kind] ??= $bar;
            }
        }
        $late = max(self::BARS, self::SHARE * count($score->measures));
        $lines = [];
        foreach (self::quickest($first) as $kind => $bar) {
            if ($bar >= $late && ! isset($few[$kind])) {
                $lines[] = new Line("The first $kind", $bar);
            }
        }

        return $lines;
    }

    /**
     * A value is new only where nothing as quick came before.
     *
     * @param  array<string, int>  $first  bar by kind
     * @return array<string, int>
     */
    private static function quickest(array $first): array
    {
        $sooner = PHP_INT_MAX;
        foreach (array_keys(self::VALUES) as $value) {
            if (isset($first[$value]) && $first[$value] >= $sooner) {
                unset($first[$value]);
            }
            $sooner = min($sooner, $first[$value] ?? PHP_INT_MAX);
        }
        asort($first);

        return $first;
    }

    /**
     * @return array<int, list<Note>>
     */
    private static function byBar(Score $score): array
    {
        $bars = [];
        foreach ($score->notes as $note) {
            $bars[$note->measure][] = $note;
        }
        ksort($bars);

        return $bars;
    }

    /**
     * @param  list<Note>  $notes
     * @return array<string, int> notes by kind
     */
    private static function kinds(array $notes): array
    {
        $kinds = [];
        foreach ($notes as $note) {
            $parts = $note->duration->denominator;
            $kind = match (true) {
                $note->grace => 'grace notes',
                $note->has('arpeggiate') => 'rolled chords',
                $note->has('staccato') => 'staccato notes',
                $parts % 3 === 0 => 'triplets',
                default => null,
            };
            $value = array_search($parts, self::VALUES, true);
            foreach (array_filter([$kind, $value === false || $note->grace ? null : $value]) as $name) {
                $kinds[$name] = ($kinds[$name] ?? 0) + 1;
            }
        }

        return $kinds;
    }
}
