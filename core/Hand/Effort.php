<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hand;

/**
 * What it costs a hand to take a grip, after the rules of Parncutt et al., Music Perception 14 (1997) [mem of pub]:
 * stretch, small and large spans, weak fingers, thumb and little finger on black keys. Their weights are ours, fitted to
 * fingerings of scales and arpeggios as they are taught [start]; a small leaning of the thumb to the tonic stands for
 * the habit of octaves that repeat.
 */
final readonly class Effort
{
    /** An octave in a chord is for the fifth finger. */
    private const OCTAVE = 12;

    private const OCTAVE_WITHOUT_FIFTH = 1.78;

    /** Thirds struck together lie under 1 3, 2 4 and 3 5; neighbouring fingers are for seconds (common practice). */
    private const NARROWEST_THIRD = 3;

    private const WIDEST_THIRD = 4;

    private const THIRD_WITH_NEIGHBOURS = 0.8;

    /** In octaves that move by step the fourth finger takes the black keys, where the hand is large enough (common practice). */
    private const FOURTH_ON_BLACK_OCTAVE = -1.03;

    private const FOURTH = 1.4;

    private const FOURTH_ON_BLACK = -0.8;

    private const FIFTH = 1.3;

    /** Where strong fingers are wanted. */
    private const WEAK_AND_LOUD = 3.0;

    /** Where other fingers strike with them. */
    private const FOURTH_IN_CHORD = 0.42;

    private const FIFTH_IN_CHORD = 0.1;

    private const THUMB_ON_BLACK = 2.4;

    /** In a chord, or where the hand lies open from the thumb. */
    private const THUMB_ON_BLACK_OPEN = 0.8;

    /** Semitones to both neighbours that make the innermost or outermost note of a figure. */
    private const TURN = 3;

    private const FIFTH_AT_TURN = 0.72;

    private const THUMB_BETWEEN_WHITE = 3.37;

    private const FIFTH_BETWEEN_WHITE = 1.0;

    private const THUMB_ON_TONIC = 1.2;

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
        $held = [];
        foreach (HeldPositions::find($grips, $this->spans) as ['from' => $from, 'ways' => $ways, 'spreads' => $spreads]) {
            $way = array_search(array_map(fn (array $fingers): int => $fingers[0], array_slice($plan, $from, count($ways[0]))), $ways, true);
            if ($way !== false) {
                $cost += $spreads[$way];
                $held += array_fill($from, count($ways[0]), true);
            }
        }
        foreach ($grips as $place => $grip) {
            $before = $grips[$place - 1] ?? null;
            $cost += $this->take($grip, $plan[$place], $before, $grips[$place + 1] ?? null, null, isset($held[$place]));
            if ($before !== null) {
                $motion = new Motion($before, $grip, $this->spans);
                $cost += $motion->urgency() * $motion->cost($plan[$place - 1], $plan[$place]);
            }
            $distance = $place < 2 ? null : Position::distance($grips[$place - 2], $grips[$place - 1], $grip);
            if ($distance !== null) {
                $cost += Position::costs($distance, $this->spans)[$plan[$place - 2][0]][$plan[$place][0]];
            }
        }

        return $cost;
    }

    /**
     * The cost of holding a grip.
     *
     * @param  list<int>  $fingers  from the thumb outwards
     * @param  ?int  $tonic  pitch class
     * @param  bool  $isHeld  whether the hand keeps its position over several notes, as over a chord
     */
    public function take(Grip $grip, array $fingers, ?Grip $before, ?Grip $after, ?int $tonic, bool $isHeld = false): float
    {
        $cost = 0.0;
        $last = count($fingers) - 1;
        foreach ($fingers as $index => $finger) {
            $black = $grip->black[$index];
            $isAlone = $last === 0 && ! $isHeld;
            $cost += match ($finger) {
                1 => $black
                    ? ($isAlone && ! self::isTurn($grip, $before, $after, 1) ? self::THUMB_ON_BLACK + self::THUMB_BETWEEN_WHITE * (self::isWhite($before) + self::isWhite($after)) : self::THUMB_ON_BLACK_OPEN)
                    : ($tonic !== null && $grip->notes[$index]->midi % 12 === $tonic ? -self::THUMB_ON_TONIC : 0.0),
                4 => $isAlone ? self::FOURTH + ($black ? self::FOURTH_ON_BLACK : 0.0) : self::FOURTH_IN_CHORD,
                5 => ($isAlone ? (self::isTurn($grip, $before, $after, -1) ? self::FIFTH_AT_TURN : self::FIFTH) : self::FIFTH_IN_CHORD)
                    + ($black && $isAlone && ! self::isTurn($grip, $before, $after, -1) ? self::FIFTH_BETWEEN_WHITE * (self::isWhite($before) + self::isWhite($after)) : 0.0),
                default => 0.0,
            };
            if ($finger >= 4 && $isAlone && isset($this->loud[$grip->notes[$index]->id])) {
                $cost += self::WEAK_AND_LOUD;
            }
            if ($index > 0) {
                $span = $grip->keys[$index] - $grip->keys[$index - 1];
                $cost += $this->spans->cost($fingers[$index - 1], $finger, $span);
                $isThird = $last === 1 && $span >= self::NARROWEST_THIRD && $span <= self::WIDEST_THIRD;
                $cost += $isThird && $finger - $fingers[0] === 1 ? self::THIRD_WITH_NEIGHBOURS : 0.0;
            }
        }

        if ($last > 0 && $fingers[$last] < 5 && $grip->keys[$last] - $grip->keys[0] >= self::OCTAVE) {
            $isMoving = self::isStepAway($grip, $before) || self::isStepAway($grip, $after);
            $cost += $last === 1 && $fingers[1] === 4 && $grip->black[1] && $isMoving ? self::FOURTH_ON_BLACK_OCTAVE : self::OCTAVE_WITHOUT_FIFTH;
        }

        return $last < 2 ? $cost : $cost + $this->spans->cost($fingers[0], $fingers[$last], $grip->keys[$last] - $grip->keys[0]);
    }

    /**
     * Whether a single note lies nearer to the thumb than those before and after it, or with −1 farther: the hand lies open
     * from it.
     */
    private static function isTurn(Grip $grip, ?Grip $before, ?Grip $after, int $side): bool
    {
        foreach ([$before, $after] as $other) {
            if ($other === null || count($other->keys) === 0 || $side * ($other->keys[$side === 1 ? 0 : count($other->keys) - 1] - $grip->keys[0]) < self::TURN) {
                return false;
            }
        }

        return true;
    }

    private static function isStepAway(Grip $grip, ?Grip $other): bool
    {
        return $other !== null && $other->keys !== [] && in_array(abs($other->keys[0] - $grip->keys[0]), [1, 2], true);
    }

    private static function isWhite(?Grip $grip): int
    {
        return $grip !== null && ! in_array(true, $grip->black, true) ? 1 : 0;
    }
}
