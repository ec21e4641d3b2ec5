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

    /** @var array<int, array<int, array<int, float>>> cost of changes of position by distance */
    private array $positions = [];

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
        $ways = array_map(fn (Grip $grip): array => self::assignments($grip, $this->effort->spans, false, $this->fixed), $this->grips);
        // Within a position that is held, a way is a way to take all of it.
        $goesOn = $begins = [];
        foreach (HeldPositions::find($this->grips, $this->effort->spans, $this->fixed) as ['from' => $first, 'ways' => $held, 'spreads' => $spreads]) {
            foreach (array_keys($held[0]) as $step) {
                $ways[$first + $step] = array_map(fn (array $fingers): array => [$fingers[$step]], $held);
                $goesOn[$first + $step] = $step > 0;
            }
            $begins[$first] = $spreads;
        }
        $names = array_map(fn (array $all): array => array_map(fn (array $fingers): string => implode('', $fingers), $all), $ways);
        // Least cost by the way a grip is taken, then by the way the one before is: a position is felt over three.
        $best = array_map(fn (float $cost, int $way): array => [$cost + ($begins[0][$way] ?? 0.0)], $this->takes(0, $ways[0], isset($goesOn[0])), array_keys($ways[0]));
        $from = [];
        for ($place = 1; $place < count($this->grips); $place++) {
            $isFelt = $this->position($place + 1) !== null;
            $arrivals = $this->arrivals($place, $best, $ways);
            $moves = new Motion($this->grips[$place - 1], $this->grips[$place], $this->effort->spans);
            $urgency = $moves->urgency();
            $known = &$this->motions[$moves->name()];
            $best = [];
            foreach ($this->takes($place, $ways[$place], isset($goesOn[$place])) as $way => $take) {
                $fingers = $ways[$place][$way];
                $take += $begins[$place][$way] ?? 0.0;
                $least = INF;
                $nearest = 0;
                foreach ($arrivals[$fingers[0]] ?? $arrivals[0] as $before => [$cost, $through]) {
                    if ((! $isFelt && $cost >= $least) || (($goesOn[$place] ?? false) && $before !== $way)) {
                        continue;
                    }
                    $cost += $urgency * ($known[$names[$place - 1][$before].' '.$names[$place][$way]] ??= $moves->cost($ways[$place - 1][$before], $fingers));
                    $from[$place][$way][$before] = $through;
                    $best[$way][$before] = $cost + $take;
                    if ($cost < $least) {
                        [$least, $nearest] = [$cost, $before];
                    }
                }
                // Where no position is felt over the next grip, only the best way to get here matters.
                $best[$way] = $isFelt ? $best[$way] : [$nearest => $least + $take];
            }
            unset($known);
        }

        return $this->traced($ways, $best, $from);
    }

    /**
     * @param  list<list<int>>  $ways
     * @param  bool  $isHeld  whether the hand keeps its position, as over a chord
     * @return list<float> cost of each
     */
    private function takes(int $place, array $ways, bool $isHeld): array
    {
        $grip = $this->grips[$place];
        $before = $this->grips[$place - 1] ?? null;
        $after = $this->grips[$place + 1] ?? null;

        return array_map(fn (array $fingers): float => $this->effort->take($grip, $fingers, $before, $after, $this->tonics[$place] ?? null, $isHeld), $ways);
    }

    /**
     * The least cost with which each way to take the grip before is reached, and through which way of the one before
     * that; by the finger that comes, if a position is felt, else by 0.
     *
     * @param  array<int, array<int, float>>  $best
     * @param  list<list<list<int>>>  $ways
     * @return array<int, array<int, array{float, int}>>
     */
    private function arrivals(int $place, array $best, array $ways): array
    {
        $position = $this->position($place);
        $arrivals = [];
        foreach ($position === null ? [0] : range(1, 5) as $finger) {
            foreach ($best as $before => $costs) {
                $arrival = [INF, 0];
                foreach ($costs as $first => $cost) {
                    $cost += $position === null ? 0.0 : $position[$ways[$place - 2][$first][0]][$finger];
                    $arrival = $cost < $arrival[0] ? [$cost, $first] : $arrival;
                }
                $arrivals[$finger][$before] = $arrival;
            }
        }

        return $arrivals;
    }

    /**
     * @return ?array<int, array<int, float>> cost by finger of the first of three single notes, then of the last
     */
    private function position(int $place): ?array
    {
        $distance = $place < 2 || ! isset($this->grips[$place]) ? null : Position::distance($this->grips[$place - 2], $this->grips[$place - 1], $this->grips[$place]);

        return $distance === null ? null : $this->positions[$distance] ??= Position::costs($distance, $this->effort->spans);
    }

    /**
     * @param  list<list<list<int>>>  $ways
     * @param  array<int, array<int, float>>  $best  at the last grip, by its way and the way of the one before
     * @param  array<int, array<int, array<int, int>>>  $from  way of the grip before that, by place, then likewise
     * @return list<list<int>>
     */
    private function traced(array $ways, array $best, array $from): array
    {
        $least = INF;
        $way = $before = 0;
        foreach ($best as $one => $costs) {
            foreach ($costs as $other => $cost) {
                if ($cost < $least) {
                    [$least, $way, $before] = [$cost, $one, $other];
                }
            }
        }
        $plan = [];
        for ($place = count($ways) - 1; $place >= 0; $place--) {
            $plan[] = $ways[$place][$way];
            [$way, $before] = [$before, $from[$place][$way][$before] ?? 0];
        }

        return array_reverse($plan);
    }
}
