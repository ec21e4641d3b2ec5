<?php

declare(strict_types=1);

namespace Tarnwind\Core\Reading;

use Tarnwind\Core\Score\Measure;
use Tarnwind\Core\Score\Score;

/**
 * Finds ostinatos (one hand the same for four bars or more) and sequences (a unit of one bar stated three times or
 * more, of two bars twice or more, each time moved by the same steps).
 */
final class Patterns
{
    private const OSTINATO = 4;

    private const FEWEST_NOTES = 2;

    /**
     * @param  array<string, Hand>  $hands  by note id
     * @return list<Pattern> by bar
     */
    public static function find(Score $score, array $hands): array
    {
        $notes = [];
        foreach ($score->notes as $note) {
            $notes[$hands[$note->id]->value][$note->measure][] = $note;
        }
        $found = [];
        foreach (Hand::cases() as $hand) {
            $shapes = array_map(fn (Measure $measure): BarShape => BarShape::of($notes[$hand->value][$measure->index] ?? [], $measure), $score->measures);
            $found = [...$found, ...self::ostinatos($shapes, $hand), ...self::sequences($shapes, $hand)];
        }
        usort($found, fn (Pattern $a, Pattern $b): int => $a->from <=> $b->from);

        return $found;
    }

    /**
     * @param  list<BarShape>  $shapes
     * @return list<Pattern>
     */
    private static function ostinatos(array $shapes, Hand $hand): array
    {
        $found = [];
        for ($bar = 0; $bar < count($shapes); $bar += $length) {
            $length = 1;
            while (isset($shapes[$bar + $length]) && $shapes[$bar + $length]->exact === $shapes[$bar]->exact) {
                $length++;
            }
            if ($length >= self::OSTINATO && count($shapes[$bar]->notes) >= self::FEWEST_NOTES) {
                $found[] = new Pattern(PatternKind::Ostinato, $bar, $length, 1, $hand);
            }
        }

        return $found;
    }

    /**
     * @param  list<BarShape>  $shapes
     * @return list<Pattern>
     */
    private static function sequences(array $shapes, Hand $hand): array
    {
        $found = [];
        for ($bar = 0; $bar < count($shapes); $bar++) {
            foreach ([[1, 3], [2, 2]] as [$unit, $fewest]) {
                $statements = self::statements($shapes, $bar, $unit);
                if ($statements >= $fewest) {
                    $found[] = new Pattern(PatternKind::Sequence, $bar, $statements * $unit, $unit, $hand, $shapes[$bar + $unit]->stepsFrom($shapes[$bar]));
                    $bar += $statements * $unit - 1;
                    break;
                }
            }
        }

        return $found;
    }

    /**
     * How often a unit is stated, each time moved by the same steps.
     *
     * @param  list<BarShape>  $shapes
     */
    private static function statements(array $shapes, int $bar, int $unit): int
    {
        $steps = isset($shapes[$bar + $unit]) ? $shapes[$bar + $unit]->stepsFrom($shapes[$bar]) : 0;
        $count = 1;
        while ($steps !== 0) {
            for ($place = 0; $place < $unit; $place++) {
                $here = $shapes[$bar + $count * $unit + $place] ?? null;
                $before = $shapes[$bar + ($count - 1) * $unit + $place];
                if ($here === null || count($here->notes) < self::FEWEST_NOTES || $here->shape !== $before->shape || $here->stepsFrom($before) !== $steps) {
                    return $count;
                }
            }
            $count++;
        }

        return $count;
    }
}
