<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * Finds the fingering of least effort for the grips of one hand, by dynamic programming over the ways to take each.
 */
final class FingerPlanner
{
    /** @var array<string, array<string, float>> cost of motions by name, then by fingers: figures come again */
    private array $motions = [];

    /**
     * @param  list<Grip>  $grips
     * @param  list<?int>  $tonics  pitch class of the tonic at each grip; null where none is known
     * @param  array<string, int>  $fixed  fingers by note id that are not to be changed
     */
    private function __construct(
        private readonly array $grips,
        private readonly Effort $effort,
        private readonly array $tonics,
        private readonly array $fixed,
    ) {
    }

    /**
     * @param  list<Grip>  $grips
     * @param  list<?int>  $tonics  pitch class of the tonic at each grip; null where none is known
     * @param  array<string, int>  $fixed  fingers by note id that are not to be changed
     * @return list<list<int>> fingers of the notes of each grip, from the thumb outwards
     */
    public static function plan(array $grips, Effort $effort, array $tonics = [], array $fixed = []): array
    {
        return (new self($grips, $effort, $tonics, $fixed))->cheapest();
    }

    /**
     * The ways to take a grip: fingers that grow outwards and reach. Where none does, all that grow outwards, unless
     * only those that reach are wanted; more keys than fingers go to the thumb.
     *
     * @param  array<string, int>  $fixed
     * @return list<list<int>>
     */
    public static function assignments(Grip $grip, Spans $spans, bool $strict = false, array $fixed = []): array
    {
        $count = count($grip->notes);
        if ($count > 5) {
            return $strict ? [] : [[...array_fill(0, $count - 4, 1), 2, 3, 4, 5]];
        }
        $all = [[]];
        foreach ($grip->notes as $note) {
            $next = [];
            foreach ($all as $fingers) {
                $least = $fingers === [] ? 1 : $fingers[count($fingers) - 1] + 1;
                for ($finger = $least; $finger <= 5; $finger++) {
                    if (! isset($fixed[$note->id]) || $fixed[$note->id] === $finger) {
                        $next[] = [...$fingers, $finger];
                    }
                }
            }
            $all = $next;
        }
        if ($all === [] && $fixed !== []) {
            // Fingers that were asked for cross each other: they are honoured one by one, the rest grows outwards.
            return [self::forced($grip, $fixed)];
        }
        $reaching = array_values(array_filter($all, fn (array $fingers): bool => self::reaches($grip, $fingers, $spans)));

        return $reaching !== [] || $strict ? $reaching : $all;
    }

    /**
     * @param  array<string, int>  $fixed
     * @return list<int>
     */
    private static function forced(Grip $grip, array $fixed): array
    {
        $free = array_values(array_diff([1, 2, 3, 4, 5], array_intersect_key($fixed, array_flip(array_map(fn ($note): string => $note->id, $grip->notes)))));
        $fingers = [];
        foreach ($grip->notes as $note) {
            $fingers[] = $fixed[$note->id] ?? array_shift($free) ?? 5;
        }

        return $fingers;
    }

    /**
     * Whether fingers grow outwards and reach the keys of a grip.
     *
     * @param  array<int, int>  $fingers  of its notes, from the thumb outwards
     */
    public static function reaches(Grip $grip, array $fingers, Spans $spans): bool
    {
        $last = count($fingers) - 1;
        for ($index = 1; $index <= $last; $index++) {
            if ($fingers[$index] <= $fingers[$index - 1] || ! $spans->reaches($fingers[$index - 1], $fingers[$index], $grip->keys[$index] - $grip->keys[$index - 1])) {
                return false;
            }
        }

        return $last < 2 || $spans->reaches($fingers[0], $fingers[$last], $grip->keys[$last] - $grip->keys[0]);
    }

    /**
     * @return list<list<int>>
     */
    private function cheapest(): array
    {
        if ($this->grips === []) {
            return [];
        }
        $ways = $names = $best = $from = [];
        foreach ($this->grips as $place => $grip) {
            $ways[$place] = self::assignments($grip, $this->effort->spans, false, $this->fixed);
            $before = $this->grips[$place - 1] ?? null;
            $after = $this->grips[$place + 1] ?? null;
            $names[$place] = array_map(fn (array $fingers): string => implode('', $fingers), $ways[$place]);
            $motion = $before === null ? null : new Motion($before, $grip, $this->effort->spans);
            $urgency = $motion?->urgency();
            $motions = $motion === null ? [] : $this->motions[$motion->name()] ?? [];
            foreach ($ways[$place] as $way => $fingers) {
                $own = $this->effort->take($grip, $fingers, $before, $after, $this->tonics[$place] ?? null);
                if ($motion === null) {
                    $best[$place][$way] = $own;

                    continue;
                }
                $least = INF;
                foreach ($ways[$place - 1] as $earlier => $others) {
                    $cost = $best[$place - 1][$earlier];
                    if ($cost >= $least) {
                        continue;
                    }
                    $name = $names[$place - 1][$earlier].' '.$names[$place][$way];
                    $cost += $urgency * ($motions[$name] ??= $motion->cost($others, $fingers));
                    if ($cost < $least) {
                        $least = $cost;
                        $from[$place][$way] = $earlier;
                    }
                }
                $best[$place][$way] = $least + $own;
            }
            if ($motion !== null) {
                $this->motions[$motion->name()] = $motions;
            }
        }
        $last = count($this->grips) - 1;
        $way = (int) array_search(min($best[$last]), $best[$last], true);
        $plan = [];
        for ($place = $last; $place >= 0; $place--) {
            $plan[] = $ways[$place][$way];
            $way = $from[$place][$way] ?? 0;
        }

        return array_reverse($plan);
    }
}
