<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Score\Note;

/**
 * What it costs a hand to take a grip and to go from one to the next, after the rules of Parncutt et al., Music
 * Perception 14 (1997) [mem of pub]: stretch, small and large spans, weak fingers, thumb and little finger on black
 * keys, passing of the thumb. Their weights are ours, fitted to fingerings of scales and arpeggios as they are taught
 * [start]; a small leaning of the thumb to the tonic stands for the habit of octaves that repeat.
 */
final readonly class Effort
{
    /** For every white key by which the hand moves along, passing apart. */
    private const SHIFT = 0.5;

    /** Beyond so many semitones, and where fingers do not reach, a hand leaps; which fingers matters no more. */
    private const WITHOUT_LEAPING = 12;

    private const LEAP = 8.0;

    /** An octave in a chord is for the fifth finger. */
    private const OCTAVE = 12;

    private const OCTAVE_WITHOUT_FIFTH = 1.5;

    private const PASS = 5.1;

    /** More for passing under or over the third or fourth finger; the fifth is not passed. */
    private const PASS_FINGER = [2 => 0.4, 3 => 0.9, 4 => 1.7, 5 => 8.0];

    private const PASS_DISTANCE = 0.5;

    /** A thumb on a black key passed with a white one; the other way round is easy. */
    private const PASS_BLACK_THUMB = 2.5;

    private const PASS_UNDER_BLACK = -0.1;

    /** Semitones over which a thumb still passes; beyond, the hand jumps. */
    private const FARTHEST_PASS = 6;

    private const FOURTH = 1.0;

    private const FOURTH_ON_BLACK = -0.8;

    private const FIFTH = 1.3;

    /** Where strong fingers are wanted. */
    private const WEAK_AND_LOUD = 3.0;

    /** Where other fingers strike with them. */
    private const FOURTH_IN_CHORD = 0.3;

    private const FIFTH_IN_CHORD = 0.1;

    private const THUMB_ON_BLACK = 2.4;

    private const THUMB_BETWEEN_WHITE = 3.0;

    private const FIFTH_BETWEEN_WHITE = 1.0;

    private const THUMB_ON_TONIC = 0.6;

    /** One finger going to another key cannot join it; in a chord the whole hand moves. */
    private const SAME_FINGER = 12.0;

    private const SAME_FINGER_IN_CHORD = 1.0;

    private const SAME_FINGER_SEMITONE = 0.2;

    /** The same finger on the same key at once again. */
    private const REPEATED = 0.5;

    /** In quick repetition fingers change (common practice: 3 2 1 or 4 3 2 1, and round again). */
    private const QUICK = 0.2;

    private const REPEATED_QUICKLY = 5.0;

    private const CHANGED_INWARDS = 0.4;

    private const CHANGED_OUTWARDS = 1.2;

    /** Changing fingers on a key that is held. */
    private const SUBSTITUTION = 6.0;

    /** Fingers other than the thumb that cross each other. */
    private const CROSSED = 15.0;

    /** After a silence of so many seconds a hand arrives anew; what is left of the cost of getting there. */
    private const PAUSE = 0.4;

    private const AFTER_PAUSE = 0.15;

    /**
     * @param  array<string, true>  $loud  ids of notes that want a strong finger
     */
    public function __construct(
        public Spans $spans = new Spans,
        private array $loud = [],
    ) {
    }

    /**
     * The cost of a whole fingering.
     *
     * @param  list<Grip>  $grips
     * @param  list<list<int>>  $plan  fingers of the notes of each grip, from the thumb outwards
     */
    public function of(array $grips, array $plan): float
    {
        $cost = 0.0;
        foreach ($grips as $place => $grip) {
            $before = $grips[$place - 1] ?? null;
            $cost += $this->take($grip, $plan[$place], $before, $grips[$place + 1] ?? null, null);
            $cost += $before === null ? 0.0 : $this->move($before, $plan[$place - 1], $grip, $plan[$place]);
        }

        return $cost;
    }

    /**
     * The cost of holding a grip.
     *
     * @param  list<int>  $fingers  from the thumb outwards
     * @param  ?int  $tonic  pitch class
     */
    public function take(Grip $grip, array $fingers, ?Grip $before, ?Grip $after, ?int $tonic): float
    {
        $cost = 0.0;
        $last = count($fingers) - 1;
        foreach ($fingers as $index => $finger) {
            $black = $grip->black[$index];
            $isAlone = $last === 0;
            $cost += match ($finger) {
                1 => $black
                    ? self::THUMB_ON_BLACK + ($isAlone ? self::THUMB_BETWEEN_WHITE * (self::isWhite($before) + self::isWhite($after)) : 0.0)
                    : ($tonic !== null && $grip->notes[$index]->midi % 12 === $tonic ? -self::THUMB_ON_TONIC : 0.0),
                4 => $isAlone ? self::FOURTH + ($black ? self::FOURTH_ON_BLACK : 0.0) : self::FOURTH_IN_CHORD,
                5 => ($isAlone ? self::FIFTH : self::FIFTH_IN_CHORD) + ($black && $isAlone ? self::FIFTH_BETWEEN_WHITE * (self::isWhite($before) + self::isWhite($after)) : 0.0),
                default => 0.0,
            };
            if ($finger >= 4 && $isAlone && isset($this->loud[$grip->notes[$index]->id])) {
                $cost += self::WEAK_AND_LOUD;
            }
            if ($index > 0) {
                $cost += $this->spans->cost($fingers[$index - 1], $finger, $grip->keys[$index] - $grip->keys[$index - 1]);
            }
        }

        if ($last > 0 && $fingers[$last] < 5 && $grip->keys[$last] - $grip->keys[0] >= self::OCTAVE) {
            $cost += self::OCTAVE_WITHOUT_FIFTH;
        }

        return $last < 2 ? $cost : $cost + $this->spans->cost($fingers[0], $fingers[$last], $grip->keys[$last] - $grip->keys[0]);
    }

    /**
     * The cost of going from one grip to the next.
     *
     * @param  list<int>  $fingers
     * @param  list<int>  $next
     */
    public function move(Grip $from, array $fingers, Grip $to, array $next): float
    {
        return self::urgency($from, $to) * $this->motion($from, $fingers, $to, $next);
    }

    /**
     * How much of the cost of going on is left: little after a silence, in which the hand arrives anew.
     */
    public static function urgency(Grip $from, Grip $to): float
    {
        return $to->seconds - self::endOf($from, $to) >= self::PAUSE ? self::AFTER_PAUSE : 1.0;
    }

    /**
     * The cost of a motion by itself, which depends on keys, fingers and whether it is quick.
     *
     * @param  list<int>  $fingers
     * @param  list<int>  $next
     */
    public function motion(Grip $from, array $fingers, Grip $to, array $next): float
    {
        $cost = 0.0;
        $isChord = $to->isChord();
        $isQuick = self::isQuick($from, $to);
        foreach ($next as $index => $finger) {
            if ($to->held[$index]) {
                $before = array_search($to->notes[$index], $from->notes, true);
                $cost += $before !== false && $fingers[$before] !== $finger ? self::SUBSTITUTION : 0.0;
            }
        }
        $pairs = $this->pairs($from, $to);
        foreach ($pairs as [$a, $b]) {
            $cost += ($isQuick && ! $isChord && $from->keys[$a] === $to->keys[$b]
                ? self::repetition($fingers[$a], $next[$b])
                : $this->step($fingers[$a], $from->keys[$a], $from->black[$a], $next[$b], $to->keys[$b], $to->black[$b], $isChord)) / count($pairs);
            $cost += self::SHIFT * self::shift($from, $a, $fingers[$a], $to, $b, $next[$b]) / count($pairs);
        }

        return $cost;
    }

    private static function isWhite(?Grip $grip): int
    {
        return $grip !== null && ! in_array(true, $grip->black, true) ? 1 : 0;
    }

    /**
     * Which notes follow which: the innermost and the outermost of a chord; a single note follows the nearest that is left.
     *
     * @return list<array{int, int}> indexes into both grips
     */
    private function pairs(Grip $from, Grip $to): array
    {
        $struck = array_keys(array_filter($to->held, fn (bool $held): bool => ! $held));
        $left = array_keys(array_filter($from->notes, fn (Note $note): bool => ! in_array($note, $to->notes, true)));
        if ($struck === [] || $left === []) {
            return [];
        }
        if (count($struck) > 1) {
            return [[$left[0], $struck[0]], [$left[count($left) - 1], $struck[count($struck) - 1]]];
        }
        $nearest = $left[0];
        foreach ($left as $index) {
            if (abs($from->keys[$index] - $to->keys[$struck[0]]) < abs($from->keys[$nearest] - $to->keys[$struck[0]])) {
                $nearest = $index;
            }
        }

        return [[$nearest, $struck[0]]];
    }

    /**
     * Whether the next stroke comes so soon that a key cannot well be struck again with the same finger.
     */
    public static function isQuick(Grip $from, Grip $to): bool
    {
        return $to->seconds - $from->seconds < self::QUICK;
    }

    private static function repetition(int $finger, int $next): float
    {
        return match (true) {
            $finger === $next || $next === 5 || $finger === 5 => self::REPEATED_QUICKLY,
            $next === $finger - 1 => self::CHANGED_INWARDS,
            default => self::CHANGED_OUTWARDS,
        };
    }

    /**
     * By how many white keys the hand moves along, told from one finger and the next; a thumb that passes pays otherwise.
     */
    private static function shift(Grip $from, int $a, int $finger, Grip $to, int $b, int $next): float
    {
        $distance = $to->keys[$b] - $from->keys[$a];
        if ($distance === 0 && self::isQuick($from, $to)) {
            return 0.0;
        }
        $passes = $distance !== 0 && abs($distance) <= self::FARTHEST_PASS && ($finger < $next) !== ($distance > 0);

        return $passes ? 0.0 : abs(($to->steps[$b] - $next) - ($from->steps[$a] - $finger));
    }

    private function step(int $from, int $fromKey, bool $fromBlack, int $to, int $toKey, bool $toBlack, bool $isChord): float
    {
        $distance = $toKey - $fromKey;
        if (abs($distance) > self::WITHOUT_LEAPING && ($from === $to || ! $this->spans->reaches($from, $to, $distance))) {
            return self::LEAP + self::SAME_FINGER_SEMITONE * abs($distance);
        }
        if ($from === $to) {
            return $distance === 0 ? self::REPEATED : ($isChord ? self::SAME_FINGER_IN_CHORD : self::SAME_FINGER) + self::SAME_FINGER_SEMITONE * abs($distance);
        }
        [$lower, $higher] = [min($from, $to), max($from, $to)];
        $span = $from < $to ? $distance : -$distance;
        if ($span > 0) {
            return $this->spans->cost($lower, $higher, $span);
        }
        if ($lower > 1) {
            return ($isChord ? self::SAME_FINGER_IN_CHORD : self::CROSSED) - ($isChord ? 0.2 : 2) * $span;
        }
        [$thumb, $other] = $from === 1 ? [$fromBlack, $toBlack] : [$toBlack, $fromBlack];
        $cost = self::PASS + self::PASS_FINGER[$higher] + self::PASS_DISTANCE * max(0, -$span - 1);
        if ($thumb && ! $other) {
            $cost += self::PASS_BLACK_THUMB;
        } elseif ($other && ! $thumb) {
            $cost += self::PASS_UNDER_BLACK;
        }

        return $cost + 2 * max(0, -$span - self::FARTHEST_PASS);
    }

    /**
     * When the last of what is struck in a grip ends, in seconds; told by the time its next grip comes.
     */
    private static function endOf(Grip $from, Grip $to): float
    {
        $end = 0.0;
        foreach ($from->ends as $index => $seconds) {
            $end = max($end, $from->held[$index] ? 0.0 : $seconds);
        }

        return min($end, $to->seconds);
    }
}
