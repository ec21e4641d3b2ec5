<?php

declare(strict_types=1);

namespace Tarnwind\Core\Plan;

use Tarnwind\Core\Score\Score;

/**
 * What one plan says that another does not: settings by craft, marks by bar. Who put a mark there, and what it is called
 * in its file, is no difference.
 */
final readonly class PlanDifferences
{
    private const NO_DIFFERENCE = ['id' => null, 'origin' => null];

    /**
     * @param  list<array{craft: string, name: string, before: mixed, after: mixed}>  $settings  null for what is usual
     * @param  array<int, array{gone: list<string>, new: list<string>, changed: list<string>}>  $bars  marks in words, by index of the bar they begin in, in order; -1 for those of no bar
     */
    private function __construct(
        public array $settings,
        public array $bars,
    ) {
    }

    public static function between(Plan $before, Plan $after, Score $score): self
    {
        $barOf = $score->barsById();
        [$gone, $new] = self::apart($before, $after);
        $spots = self::bySpot($new);
        $bars = [];
        foreach (self::bySpot($gone) as $spot => $marks) {
            foreach ($marks as $mark) {
                $isChanged = ($spots[$spot] ?? []) !== [];
                if ($isChanged) {
                    array_pop($spots[$spot]);
                }
                $bars[self::bar($mark, $barOf)][$isChanged ? 'changed' : 'gone'][] = $mark->inWords();
            }
        }
        foreach (array_merge(...array_values($spots)) as $mark) {
            $bars[self::bar($mark, $barOf)]['new'][] = $mark->inWords();
        }
        ksort($bars);

        return new self(self::settings($before, $after), array_map(fn (array $bar): array => [...['gone' => [], 'new' => [], 'changed' => []], ...$bar], $bars));
    }

    public function isEmpty(): bool
    {
        return $this->settings === [] && $this->bars === [];
    }

    /**
     * Marks of each plan that the other has not.
     *
     * @return array{list<Mark>, list<Mark>}
     */
    private static function apart(Plan $before, Plan $after): array
    {
        $there = $new = [];
        foreach ($before->marks as $mark) {
            $there[self::says($mark)][] = $mark;
        }
        foreach ($after->marks as $mark) {
            $says = self::says($mark);
            if (($there[$says] ?? []) === []) {
                $new[] = $mark;
            } else {
                array_pop($there[$says]);
            }
        }

        return [array_merge(...array_values($there)), $new];
    }

    /**
     * All that a mark says.
     */
    private static function says(Mark $mark): string
    {
        return $mark::class.json_encode(array_diff_key($mark->toArray(), self::NO_DIFFERENCE), JSON_THROW_ON_ERROR);
    }

    /**
     * Marks by what they are and where they begin: two of one kind at one spot are one that was changed.
     *
     * @param  list<Mark>  $marks
     * @return array<string, list<Mark>>
     */
    private static function bySpot(array $marks): array
    {
        $spots = [];
        foreach ($marks as $mark) {
            $anchors = $mark->anchors();
            $document = $mark->toArray();
            $place = $document['at'] ?? $document['from'] ?? null;
            $spots[json_encode([$mark::class, $document['kind'], $place, $anchors->notes[0] ?? $anchors->measures[0] ?? ''], JSON_THROW_ON_ERROR)][] = $mark;
        }

        return $spots;
    }

    /**
     * @return list<array{craft: string, name: string, before: mixed, after: mixed}>
     */
    private static function settings(Plan $before, Plan $after): array
    {
        $differences = $before->tempo === $after->tempo ? [] : [['craft' => '', 'name' => 'tempo', 'before' => $before->tempo, 'after' => $after->tempo]];
        foreach (array_keys($before->allSettings() + $after->allSettings()) as $craft) {
            [$then, $now] = array_map(fn (Plan $plan): array => ($plan->allSettings()[$craft] ?? null)?->toArray() ?? [], [$before, $after]);
            foreach (array_keys($then + $now) as $name) {
                if (($then[$name] ?? null) !== ($now[$name] ?? null)) {
                    $differences[] = ['craft' => $craft, 'name' => $name, 'before' => $then[$name] ?? null, 'after' => $now[$name] ?? null];
                }
            }
        }

        return $differences;
    }

    /**
     * @param  array<string, int>  $barOf
     */
    private static function bar(Mark $mark, array $barOf): int
    {
        $anchors = $mark->anchors();

        return $barOf[$anchors->notes[0] ?? $anchors->measures[0] ?? ''] ?? -1;
    }
}
