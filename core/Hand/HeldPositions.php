<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * Stretches of single notes over which a hand keeps its position: broken chords whose keys lie under one hand and come
 * again. There every key has one finger (common practice: one figure, one fingering).
 */
final readonly class HeldPositions
{
    /** So many keys at the most, and so many notes at the least [start]. */
    private const MOST_KEYS = 4;

    private const FEWEST_NOTES = 4;

    /** Semitones from note to note that are no step. */
    private const SKIP = 3;

    /** What a position that is held costs more than a chord that is struck once [start]. */
    private const SPREAD = 2.0;

    /**
     * @param  list<Grip>  $grips
     */
    private function __construct(private array $grips, private Spans $spans)
    {
    }

    /**
     * @param  list<Grip>  $grips
     * @param  array<string, int>  $fixed  fingers by note id that are not to be changed
     * @return list<array{from: int, ways: non-empty-list<list<int>>, spreads: non-empty-list<float>}> the first grip, every way to take the stretch as a finger for each of its grips, and how uncomfortable the hand lies in it
     */
    public static function find(array $grips, Spans $spans, array $fixed = []): array
    {
        $positions = new self($grips, $spans);
        $found = [];
        for ($from = 0; $from < count($grips); $from = $to) {
            $to = $positions->end($from);
            $ways = $to - $from < self::FEWEST_NOTES ? [] : $positions->ways($from, $to, $fixed);
            if ($ways !== []) {
                $found[] = ['from' => $from, 'ways' => $ways, 'spreads' => array_map(fn (array $way): float => $positions->spread($from, $way), $ways)];
            } else {
                $to = $positions->nextBegin($from);
            }
        }

        return $found;
    }

    /**
     * Past the last note that lies under the hand as it lies at the first; where more is broken on, at the beginning of
     * the figure that goes on.
     */
    private function end(int $from): int
    {
        $keys = [];
        $to = $from;
        while (isset($this->grips[$to]) && $this->isSingle($to) && ($to === $from || $this->isSkip($to))) {
            $key = $this->grips[$to]->keys[0];
            // Another bar on other keys is another figure.
            $isOther = ! isset($keys[$key]) && $this->grips[$to]->notes[0]->measure !== $this->grips[$from]->notes[0]->measure;
            $keys[$key] = $key;
            if ($isOther || count($keys) > self::MOST_KEYS || max($keys) - min($keys) > $this->spans->comfortable(1, 5)) {
                return $this->figure($from, $to);
            }
            $to++;
        }

        return $to;
    }

    /**
     * The last place before one at which a bar or, within a bar, a figure begins with its lowest key.
     */
    private function figure(int $from, int $to): int
    {
        for ($place = $to; $place > $from; $place--) {
            if ($this->grips[$place]->notes[0]->measure !== $this->grips[$place - 1]->notes[0]->measure) {
                return $place;
            }
        }
        $midi = fn (int $place): int => isset($this->grips[$place]) && $this->isSingle($place) ? $this->grips[$place]->notes[0]->midi : 128;
        for ($place = $to; $place > $from; $place--) {
            if ($midi($place) < $midi($place - 1) && $midi($place) < $midi($place + 1)) {
                return $place;
            }
        }

        return $to;
    }

    /**
     * The next place at which something begins: a bar, or what is broken after something else.
     */
    private function nextBegin(int $from): int
    {
        $place = $from + 1;
        while (isset($this->grips[$place]) && $this->isSingle($place) && $this->isSingle($place - 1) && $this->isSkip($place)
            && $this->grips[$place]->notes[0]->measure === $this->grips[$place - 1]->notes[0]->measure) {
            $place++;
        }

        return $place;
    }

    private function isSingle(int $place): bool
    {
        return count($this->grips[$place]->notes) === 1;
    }

    private function isSkip(int $place): bool
    {
        [$before, $grip] = [$this->grips[$place - 1], $this->grips[$place]];

        return abs($grip->keys[0] - $before->keys[0]) >= self::SKIP && $grip->seconds - $before->ends[0] < Position::PAUSE;
    }

    /**
     * @param  array<string, int>  $fixed
     * @return list<list<int>> by grip; none where no key comes again
     */
    private function ways(int $from, int $to, array $fixed): array
    {
        $stretch = array_slice($this->grips, $from, $to - $from);
        $keys = array_values(array_unique(array_map(fn (Grip $grip): int => $grip->keys[0], $stretch)));
        if (count($keys) === count($stretch)) {
            return [];
        }
        sort($keys);
        $ways = [];
        foreach ($this->assignments($keys, 1) as $fingers) {
            $byKey = array_combine($keys, $fingers);
            $way = array_map(fn (Grip $grip): int => $byKey[$grip->keys[0]], $stretch);
            $isKept = array_filter($stretch, fn (Grip $grip, int $place): bool => ($fixed[$grip->notes[0]->id] ?? $way[$place]) !== $way[$place], ARRAY_FILTER_USE_BOTH) === [];
            $ways = $isKept ? [...$ways, $way] : $ways;
        }

        return $ways;
    }

    /**
     * What the hand would cost as it lies over all keys at once.
     *
     * @param  list<int>  $way
     */
    private function spread(int $from, array $way): float
    {
        $byKey = [];
        foreach ($way as $step => $finger) {
            $byKey[$this->grips[$from + $step]->keys[0]] = $finger;
        }
        ksort($byKey);
        [$keys, $fingers] = [array_keys($byKey), array_values($byKey)];
        $last = count($keys) - 1;
        $cost = $last < 2 ? 0.0 : $this->spans->cost($fingers[0], $fingers[$last], $keys[$last] - $keys[0]);
        for ($index = 1; $index <= $last; $index++) {
            $cost += $this->spans->cost($fingers[$index - 1], $fingers[$index], $keys[$index] - $keys[$index - 1]);
        }

        return self::SPREAD * $cost;
    }

    /**
     * Fingers that grow outwards and reach.
     *
     * @param  list<int>  $keys  growing
     * @return list<list<int>>
     */
    private function assignments(array $keys, int $least): array
    {
        if ($keys === []) {
            return [[]];
        }
        $all = [];
        for ($finger = $least; $finger <= 6 - count($keys); $finger++) {
            foreach ($this->assignments(array_slice($keys, 1), $finger + 1) as $rest) {
                if ($rest === [] || $this->spans->reaches($finger, $rest[0], $keys[1] - $keys[0])) {
                    $all[] = [$finger, ...$rest];
                }
            }
        }

        return $all;
    }
}
