<?php

declare(strict_types=1);

namespace Tarnwind\Core\Take;

use Tarnwind\Core\Rendition\KeyEvent;
use Tarnwind\Core\Score\Search;

/**
 * Finds in what was played the notes that were to be played: the most likely path through them, note by note, as a hidden Markov
 * model with jumps has it (after Nakamura, Yoshii & Katayose, "Performance error detection and post-processing for fast and accurate
 * symbolic music alignment", ISMIR 2017 [from memory]), kept narrow so that it takes time in proportion to the notes. What the path leaves is then paired with what is
 * missing near it. Costs are ours [start].
 */
final class Aligner
{
    /** Paths that are followed at once. */
    private const WIDTH = 30;

    /** Costs of going from what is struck to what is struck next, and of leaving some out. */
    private const STEPS = [-2 => 2.4, -1 => 1.2, 0 => 0.0, 1 => 0.1, 2 => 1.5, 3 => 2.3, 4 => 3.0];

    /** What is struck together falls within so many milliseconds; what is not seldom does. */
    private const CHORD = 90.0;

    private const STAYS_LATE = 1.6;

    private const MOVES_EARLY = 0.5;

    private const EARLY = 12.0;

    /** Turning back takes so many ms; coming sooner than planned costs by how much, beyond what is free in any playing. */
    private const TURNS = 150.0;

    private const TURNS_AT_ONCE = 1.5;

    private const TOO_SOON = 1.5;

    private const FREE = 0.35;

    private const BLURRED = 60.0;

    /** A key beside the right one, and one that has nothing to do with it. */
    private const WRONG = 2.2;

    private const EXTRA = 2.9;

    /** Semitones that a wrong key lies beside the right one at most. */
    private const BESIDE = 2;

    /** A key that was struck already. */
    private const TWICE = 2.6;

    /** Stopping and going on somewhere else, the further the dearer; a pause makes it likelier. */
    private const JUMP = 4.5;

    private const JUMP_IN_TIME = 10.0;

    private const PAUSE = 450.0;

    private const FURTHER = 0.35;

    /** Places that are looked at for a jump. */
    private const LANDINGS = 24;

    /** Notes after one that did not fit in which a jump is looked for. */
    private const DOUBT = 3;

    /** Milliseconds around its place within which a missing note is looked for. */
    private const NEAR = 700.0;

    /** Milliseconds off its place from which it is doubted that a note is the right one, by which another must be nearer, and from which it was played another time. */
    private const DOUBTFUL = 200.0;

    private const CLEARLY = 100.0;

    private const ANOTHER_TIME = 1500.0;

    /** @var list<Target> */
    private readonly array $targets;

    /** @var array<int, list<int>> by key: places of targets */
    private array $occurs = [];

    /**
     * @param  list<KeyEvent>  $events
     * @param  list<PlayedNote>  $notes
     */
    private function __construct(private readonly array $events, private readonly array $notes)
    {
        $this->targets = Target::all($events);
        foreach ($this->targets as $place => $target) {
            foreach (array_keys($target->keys) as $key) {
                $this->occurs[$key][] = $place;
            }
        }
    }

    /**
     * @param  list<KeyEvent>  $events  what was to be played, as a rendition has it
     */
    public static function align(array $events, Take $take): Alignment
    {
        return (new self($events, $take->notes))->alignment();
    }

    private function alignment(): Alignment
    {
        $matched = $extra = $again = $by = [];
        foreach ($this->path() as $note => $target) {
            $place = $this->openPlace($target, $this->notes[$note]->midi, $note, $by);
            if ($place === null) {
                $extra[$note] = $target;

                continue;
            }
            if (isset($by[$place])) {
                $again[] = $by[$place];
                unset($matched[$by[$place]]);
            }
            $by[$place] = $note;
            $matched[$note] = $place;
        }
        [$matched, $again] = $this->settled($matched, $again, $extra);
        $extra = array_diff_key($extra, $matched);
        $missing = array_values(array_diff(array_keys($this->events), $matched));
        [$found, $missing, $extra] = $this->near($matched, $missing, $extra);
        $matched += $found;
        ksort($matched);
        [$wrong, $missing, $extra] = $this->wrong($matched, $missing, $extra);

        return new Alignment($matched, $wrong, array_keys($extra), $again, $missing);
    }

    /**
     * The place a key stands for in a target: one that is open, else the one that was struck longest ago; null where the target has no
     * such key, or had it just now.
     *
     * @param  array<int, int>  $by  notes by place
     */
    private function openPlace(int $target, int $midi, int $note, array $by): ?int
    {
        $places = $this->targets[$target]->keys[$midi] ?? [];
        $oldest = null;
        foreach ($places as $place) {
            if (! isset($by[$place])) {
                return $place;
            }
            $oldest = $oldest === null || $by[$place] < $by[$oldest] ? $place : $oldest;
        }
        $since = $oldest === null ? 0.0 : $this->notes[$note]->onset - $this->notes[$by[$oldest]]->onset;

        return $oldest !== null && $since > self::PAUSE ? $oldest : null;
    }

    /**
     * The most likely target of every note.
     *
     * @return list<int> by note
     */
    private function path(): array
    {
        /** @var array<int, array{float, array<int, true>, int}> $beam cost, keys struck of the target, place of the state in the trail, by target */
        $beam = [0 => [0.0, [], -1]];
        $trail = [];
        $doubt = 0;
        $pace = $this->pace();
        foreach ($this->notes as $index => $note) {
            $gap = $index === 0 ? 0.0 : $note->onset - $this->notes[$index - 1]->onset;
            $next = [];
            foreach ($beam as $from => [$cost, $struck, $state]) {
                foreach ($index === 0 ? [0 => 0.0, 1 => 1.0, 2 => 2.0] : self::STEPS as $step => $price) {
                    $to = $from + $step;
                    if (isset($this->targets[$to])) {
                        $planned = $this->targets[$to]->ms - $this->targets[$from]->ms;
                        $this->offer($next, $to, $cost + $price + self::timing($step, $gap, $pace * $planned), $step === 0 ? $struck : [], $note->midi, $state);
                    }
                }
            }
            $doubt = $this->isExact($next, $note->midi) ? $doubt - 1 : self::DOUBT;
            if ($doubt > 0 || $gap > self::PAUSE || $index === 0) {
                $this->jump($beam, $next, $note->midi, $gap);
            }
            uasort($next, fn (array $a, array $b): int => $a[0] <=> $b[0]);
            $beam = [];
            foreach (array_slice($next, 0, self::WIDTH, true) as $to => [$cost, $struck, $state]) {
                $trail[] = [$to, $state];
                $beam[$to] = [$cost, $struck, count($trail) - 1];
            }
        }
        $path = [];
        for ($state = reset($beam)[2] ?? -1; $state >= 0; $state = $trail[$state][1]) {
            $path[] = $trail[$state][0];
        }

        return array_reverse($path);
    }

    /**
     * @param  array<int, array{float, array<int, true>, int}>  $next
     * @param  array<int, true>  $struck
     */
    private function offer(array &$next, int $to, float $cost, array $struck, int $midi, int $state): void
    {
        $target = $this->targets[$to];
        if (isset($target->keys[$midi])) {
            $cost += isset($struck[$midi]) && count($target->keys[$midi]) < 2 ? self::TWICE : 0.0;
            $struck[$midi] = true;
        } else {
            $cost += $target->isBeside($midi) ? self::WRONG : self::EXTRA;
        }
        if ($cost < ($next[$to][0] ?? INF)) {
            $next[$to] = [$cost, $struck, $state];
        }
    }

    /**
     * Goes on from the best path at places that have this key, the nearest first.
     *
     * @param  array<int, array{float, array<int, true>, int}>  $beam
     * @param  array<int, array{float, array<int, true>, int}>  $next
     */
    private function jump(array $beam, array &$next, int $midi, float $gap): void
    {
        [$best, $cost, $state] = [0, INF, -1];
        foreach ($beam as $from => [$price, , $at]) {
            [$best, $cost, $state] = $price < $cost ? [$from, $price, $at] : [$best, $cost, $state];
        }
        $places = $this->occurs[$midi] ?? [];
        $nearest = Search::last(count($places), fn (int $index): bool => $places[$index] <= $best);
        $places = array_slice($places, max(0, $nearest - self::LANDINGS), 2 * self::LANDINGS);
        usort($places, fn (int $a, int $b): int => abs($a - $best) <=> abs($b - $best));
        foreach (array_slice($places, 0, self::LANDINGS) as $to) {
            $price = ($gap > self::PAUSE ? self::JUMP : self::JUMP_IN_TIME) + self::FURTHER * log(1 + abs($to - $best));
            $this->offer($next, $to, $cost + $price, [], $midi, $state);
        }
    }

    /**
     * @param  array<int, array{float, array<int, true>, int}>  $next
     */
    private function isExact(array $next, int $midi): bool
    {
        $best = null;
        foreach ($next as $to => [$cost]) {
            $best = $best === null || $cost < $next[$best][0] ? $to : $best;
        }

        return $best !== null && isset($this->targets[$best]->keys[$midi]);
    }

    /**
     * What it costs to come so soon, or so late.
     *
     * @param  float  $gap  ms since the note before
     * @param  float  $planned  ms that it would be, about
     */
    private static function timing(int $step, float $gap, float $planned): float
    {
        return match (true) {
            $step === 0 => $gap > self::CHORD ? self::STAYS_LATE + min(1.5, $gap / 600) : 0.0,
            $step < 0 => $gap < self::TURNS ? self::TURNS_AT_ONCE : 0.0,
            $gap < self::EARLY => self::MOVES_EARLY,
            // Who waits may be looking for the key; who comes much too soon plays something else.
            default => self::TOO_SOON * max(0.0, log(($planned + self::BLURRED) / ($gap + self::BLURRED)) - self::FREE),
        };
    }

    /**
     * Milliseconds played for one that was planned, about: by how far strokes are apart in the middle of all.
     */
    private function pace(): float
    {
        $middle = function (array $times): float {
            $gaps = [];
            foreach ($times as $index => $time) {
                $gap = $time - ($times[$index - 1] ?? $time);
                if ($gap > self::BLURRED) {
                    $gaps[] = $gap;
                }
            }
            sort($gaps);

            return $gaps === [] ? 1.0 : $gaps[intdiv(count($gaps), 2)];
        };
        $planned = $middle(array_map(fn (Target $target): float => $target->ms, $this->targets));

        return max(0.3, min(4.0, $middle(array_map(fn (PlayedNote $note): float => $note->onset, $this->notes)) / $planned));
    }

    /**
     * Notes that stand far from where the others say they should, changed for the same key nearer by: of a chord that comes apart, and
     * where playing begins again, the path may have taken one for another.
     *
     * @param  array<int, int>  $matched
     * @param  list<int>  $again
     * @param  array<int, int>  $extra  target by note
     * @return array{array<int, int>, list<int>}
     */
    private function settled(array $matched, array $again, array $extra): array
    {
        $expected = $this->expected($matched);
        $by = array_flip($matched);
        $off = fn (int $place, ?int $note): float => $note === null ? INF : abs($this->notes[$note]->onset - $expected($place));
        $free = $notes = [];
        foreach ([...$again, ...array_keys($extra)] as $note) {
            $free[$note] = true;
        }
        foreach ($this->notes as $note => $played) {
            $notes[$played->midi][] = $note;
        }
        $open = array_keys(array_filter($this->events, fn (KeyEvent $event, int $place): bool => $off($place, $by[$place] ?? null) > self::DOUBTFUL, ARRAY_FILTER_USE_BOTH));
        // A place that is left is looked at again, but no more often than there are places.
        for ($looks = 2 * count($open); $open !== [] && $looks > 0; $looks--) {
            $place = array_shift($open);
            $now = $by[$place] ?? null;
            [$best, $least] = [null, min(self::NEAR, $off($place, $now) - self::CLEARLY)];
            foreach ($notes[$this->events[$place]->midi] ?? [] as $note) {
                $isFree = isset($free[$note]) || (isset($matched[$note]) && $off($matched[$note], $note) - self::CLEARLY > $off($place, $note));
                [$best, $least] = $isFree && $off($place, $note) < $least ? [$note, $off($place, $note)] : [$best, $least];
            }
            if ($best === null) {
                continue;
            }
            if (isset($matched[$best])) {
                $open[] = $matched[$best];
                unset($by[$matched[$best]]);
            }
            if ($now !== null) {
                unset($matched[$now]);
                $free[$now] = true;
                $again = $off($place, $now) > self::ANOTHER_TIME ? [...$again, $now] : $again;
            }
            unset($free[$best]);
            [$matched[$best], $by[$place]] = [$place, $best];
        }

        return [$matched, array_values(array_unique(array_filter($again, fn (int $note): bool => ! isset($matched[$note]))))];
    }

    /**
     * When a place is expected: with most of what is struck together with it, else by what is around it.
     *
     * @param  array<int, int>  $matched
     * @return callable(int): float
     */
    private function expected(array $matched): callable
    {
        $onsets = $targets = [];
        foreach ($this->targets as $index => $target) {
            foreach ($target->keys as $places) {
                foreach ($places as $place) {
                    $targets[$place] = $index;
                }
            }
        }
        foreach ($matched as $note => $place) {
            $onsets[$targets[$place]][] = $this->notes[$note]->onset;
        }
        $middles = [];
        foreach ($onsets as $index => $all) {
            sort($all);
            // Of two it is not known which is astray.
            $middles[$index] = count($all) > 2 || end($all) - $all[0] < self::DOUBTFUL ? $all[intdiv(count($all), 2)] : null;
        }
        $clock = $this->clock($matched);

        return fn (int $place): float => $middles[$targets[$place]] ?? $clock($place);
    }

    /**
     * Notes that the path left, paired with what is missing near them: hands that are apart, a note that comes late.
     *
     * @param  array<int, int>  $matched
     * @param  list<int>  $missing
     * @param  array<int, int>  $extra  target by note
     * @return array{array<int, int>, list<int>, array<int, int>}
     */
    private function near(array $matched, array $missing, array $extra): array
    {
        $when = $this->clock($matched);
        $open = $found = [];
        foreach ($missing as $place) {
            $open[$this->events[$place]->midi][$place] = true;
        }
        foreach (array_keys($extra) as $note) {
            $best = null;
            foreach (array_keys($open[$this->notes[$note]->midi] ?? []) as $place) {
                $off = abs($when($place) - $this->notes[$note]->onset);
                $best = $off <= self::NEAR && ($best === null || $off < $best[1]) ? [$place, $off] : $best;
            }
            if ($best !== null) {
                $found[$note] = $best[0];
                unset($open[$this->notes[$note]->midi][$best[0]], $extra[$note]);
            }
        }

        return [$found, array_values(array_diff($missing, $found)), $extra];
    }

    /**
     * Keys struck in the place of missing ones beside them.
     *
     * @param  array<int, int>  $matched
     * @param  list<int>  $missing
     * @param  array<int, int>  $extra
     * @return array{array<int, int>, list<int>, array<int, int>}
     */
    private function wrong(array $matched, array $missing, array $extra): array
    {
        $when = $this->clock($matched);
        $open = array_fill_keys($missing, true);
        $times = array_map($when, $missing);
        $wrong = [];
        foreach (array_keys($extra) as $note) {
            $best = null;
            foreach ($missing as $index => $place) {
                $off = abs($times[$index] - $this->notes[$note]->onset);
                $apart = abs($this->events[$place]->midi - $this->notes[$note]->midi);
                if (isset($open[$place]) && $off <= self::NEAR / 2 && $apart <= self::BESIDE && ($best === null || $off + 40 * $apart < $best[1])) {
                    $best = [$place, $off + 40 * $apart];
                }
            }
            if ($best !== null) {
                $wrong[$note] = $best[0];
                unset($open[$best[0]], $extra[$note]);
            }
        }

        return [$wrong, array_keys($open), $extra];
    }

    /**
     * When a note that was to be played would have come, by those around it that did.
     *
     * @param  array<int, int>  $matched
     * @return callable(int): float ms of the take
     */
    private function clock(array $matched): callable
    {
        $known = [];
        foreach ($matched as $note => $place) {
            $known[$place] = $this->notes[$note]->onset;
        }
        ksort($known);
        $places = array_keys($known);

        return function (int $place) use ($known, $places): float {
            if ($places === []) {
                return $this->events[$place]->startMs;
            }
            [$low, $high] = [0, count($places)];
            while ($low < $high) {
                $middle = intdiv($low + $high, 2);
                [$low, $high] = $places[$middle] < $place ? [$middle + 1, $high] : [$low, $middle];
            }
            $a = $places[$low - 1] ?? $places[0];
            $b = $places[$low] ?? $a;
            [$from, $to] = [$this->events[$a]->startMs, $this->events[$b]->startMs];
            $isBetween = $a < $place && $place < $b && $to > $from && abs($known[$b] - $known[$a]) <= 4 * ($to - $from) + 1000;
            $pace = $isBetween ? ($known[$b] - $known[$a]) / ($to - $from) : 1.0;

            return $known[$a] + $pace * ($this->events[$place]->startMs - $from);
        };
    }
}
