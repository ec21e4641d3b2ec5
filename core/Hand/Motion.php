<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

use Tarnwind\Core\Score\Note;

/**
 * What it costs a hand to go from one grip to the next, after the same rules as Effort: stretch between fingers that
 * follow each other, passing of the thumb, changing fingers on a key, moving along.
 */
final readonly class Motion
{
    /** For every white key by which the hand moves along, passing apart. */
    private const SHIFT = 0.5;

    /** Beyond so many semitones, and where fingers do not reach, a hand leaps; which fingers matters no more. */
    private const WITHOUT_LEAPING = 12;

    private const LEAP = 8.0;

    /** The outer end of a leap is for the fifth finger, which is weak elsewhere. */
    private const LEAP_TO_FIFTH = 0.85;

    private const PASS = 5.1;

    /** More for passing under or over the third or fourth finger; the fifth is not passed. */
    private const PASS_FINGER = [2 => 0.28, 3 => 1.26, 4 => 1.95, 5 => 8.0];

    private const PASS_DISTANCE = 0.5;

    /** A thumb on a black key passed with a white one; the other way round is easy. */
    private const PASS_BLACK_THUMB = 1.01;

    private const PASS_UNDER_BLACK = -0.1;

    /** Semitones over which a thumb still passes; beyond, the hand jumps. */
    private const FARTHEST_PASS = 6;

    /** One finger going to another key cannot join it; in a chord the whole hand moves. */
    private const SAME_FINGER = 13.96;

    private const SAME_FINGER_IN_CHORD = 1.0;

    private const SAME_FINGER_SEMITONE = 0.28;

    /** The same finger on the same key at once again. */
    private const REPEATED = 0.25;

    /** In quick repetition fingers change (common practice: 3 2 1 or 4 3 2 1, and round again). */
    private const QUICK = 0.2;

    private const REPEATED_QUICKLY = 5.0;

    private const CHANGED_INWARDS = 0.4;

    private const CHANGED_OUTWARDS = 1.2;

    /** Changing fingers on a key that is held. */
    private const SUBSTITUTION = 6.0;

    /** Fingers other than the thumb that cross each other. */
    private const CROSSED = 15.0;

    /** What is left of the cost of getting there after a pause, in which a hand arrives anew. */
    private const AFTER_PAUSE = 0.15;

    private bool $isQuick;

    private bool $isChord;

    /** @var list<array{int, int}> which notes follow which, as indexes into both grips */
    private array $pairs;

    /** @var array<int, int> index in the grip before of what is still held, by index */
    private array $heldOver;

    public function __construct(private Grip $from, private Grip $to, private Spans $spans)
    {
        $this->isQuick = $to->seconds - $from->seconds < self::QUICK;
        $this->isChord = $to->isChord() || $from->isChord();
        $this->pairs = self::pairs($from, $to);
        $over = [];
        foreach ($to->notes as $index => $note) {
            $before = $to->held[$index] ? array_search($note, $from->notes, true) : false;
            if ($before !== false) {
                $over[$index] = $before;
            }
        }
        $this->heldOver = $over;
    }

    /**
     * How much of its cost is left: little after a silence, in which the hand arrives anew.
     */
    public function urgency(): float
    {
        $end = 0.0;
        foreach ($this->from->ends as $index => $seconds) {
            $end = max($end, $this->from->held[$index] ? 0.0 : $seconds);
        }

        return $this->to->seconds - min($end, $this->to->seconds) >= Position::PAUSE ? self::AFTER_PAUSE : 1.0;
    }

    /**
     * What its cost depends on besides the fingers, an octave like another: motions with one name cost the same.
     */
    public function name(): string
    {
        $octave = 12 * (int) floor($this->from->keys[0] / 12);
        $name = $this->isQuick ? 'quick ' : '';
        $left = array_flip($this->heldOver);
        foreach ($this->from->keys as $index => $key) {
            $name .= ($key - $octave).(isset($left[$index]) ? 'h ' : ' ');
        }
        $name .= '/';
        foreach ($this->to->keys as $index => $key) {
            $name .= ($key - $octave).':'.($this->heldOver[$index] ?? ($this->to->held[$index] ? 'h' : '')).' ';
        }

        return $name;
    }

    /**
     * @param  list<int>  $fingers
     * @param  list<int>  $next
     */
    public function cost(array $fingers, array $next): float
    {
        $cost = 0.0;
        foreach ($this->heldOver as $index => $before) {
            $cost += $fingers[$before] !== $next[$index] ? self::SUBSTITUTION : 0.0;
        }
        $share = $this->pairs === [] ? 0.0 : 1 / count($this->pairs);
        foreach ($this->pairs as [$a, $b]) {
            $isRepeated = $this->isQuick && ! $this->isChord && $this->from->keys[$a] === $this->to->keys[$b];
            $cost += $share * ($isRepeated ? self::repetition($fingers[$a], $next[$b]) : $this->step($a, $fingers[$a], $b, $next[$b]));
            $cost += $share * self::SHIFT * $this->shift($a, $fingers[$a], $b, $next[$b]);
        }

        return $cost;
    }

    /**
     * The innermost and the outermost of a chord follow each other; a single note follows the nearest that is left.
     *
     * @return list<array{int, int}>
     */
    private static function pairs(Grip $from, Grip $to): array
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
     * A key that cannot well be struck again so soon with the same finger.
     */
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
    private function shift(int $a, int $finger, int $b, int $next): float
    {
        $distance = $this->to->keys[$b] - $this->from->keys[$a];
        if ($distance === 0 && $this->isQuick) {
            return 0.0;
        }
        $passes = $distance !== 0 && abs($distance) <= self::FARTHEST_PASS && ($finger < $next) !== ($distance > 0);

        return $passes ? 0.0 : abs(($this->to->steps[$b] - $next) - ($this->from->steps[$a] - $finger));
    }

    private function step(int $a, int $finger, int $b, int $next): float
    {
        $distance = $this->to->keys[$b] - $this->from->keys[$a];
        if (abs($distance) > self::WITHOUT_LEAPING && ($finger === $next || ! $this->spans->reaches($finger, $next, $distance))) {
            $outer = $distance < 0 ? $finger : $next;

            return self::LEAP + self::SAME_FINGER_SEMITONE * abs($distance) - ($outer === 5 ? self::LEAP_TO_FIFTH : 0.0);
        }
        if ($finger === $next) {
            return $distance === 0 ? self::REPEATED : ($this->isChord ? self::SAME_FINGER_IN_CHORD : self::SAME_FINGER) + self::SAME_FINGER_SEMITONE * abs($distance);
        }
        [$lower, $higher] = [min($finger, $next), max($finger, $next)];
        $span = Spans::opened($finger, $next, $distance);
        if ($span > 0) {
            return $this->spans->cost($lower, $higher, $span);
        }
        if ($lower > 1) {
            return ($this->isChord ? self::SAME_FINGER_IN_CHORD : self::CROSSED) - ($this->isChord ? 0.2 : 2) * $span;
        }
        [$thumb, $other] = $finger === 1 ? [$this->from->black[$a], $this->to->black[$b]] : [$this->to->black[$b], $this->from->black[$a]];
        $cost = self::PASS + self::PASS_FINGER[$higher] + self::PASS_DISTANCE * max(0, -$span - 1);
        if ($thumb && ! $other) {
            $cost += self::PASS_BLACK_THUMB;
        } elseif ($other && ! $thumb) {
            $cost += self::PASS_UNDER_BLACK;
        }

        return $cost + 2 * max(0, -$span - self::FARTHEST_PASS);
    }
}
