<?php

declare(strict_types=1);

namespace Tarnwind\Core\Pedal;

use Tarnwind\Core\Performance\Depth;
use Tarnwind\Core\Performance\FootTiming;

/**
 * What a pedalling costs, moment by moment.
 */
final class Costs
{
    /** What a change costs that is made with the strike, and one that cannot be played [start]. */
    private const DIRECT_COST = 0.05;

    private const UNPLAYABLE_COST = 2.0;

    /** A change off the strong beats costs more by this factor, and one that something held hides less [start]. */
    private const OFF_BEAT = 1.6;

    private const HIDDEN = 0.85;

    /** What no slur joins need not be joined as much [start]. */
    private const NOT_SLURRED = 0.7;

    /** By a base rate one that is due costs less, and one that is not more [start]. */
    private const DUE = 0.4;

    private const NOT_DUE = 2.2;

    /** A rest that is heard as silence counts for so many seconds more [start]. */
    private const REST = 0.3;

    /** A moment's cost lasts at most this long, in seconds. */
    private const LONGEST_STEP = 1.0;

    private readonly HarmonySoFar $harmony;

    private readonly int $lastStrike;

    /** @var list<RingingStrings> of the moment, by depth */
    private array $strings = [];

    private int $k = 0;

    public function __construct(
        private readonly Timeline $timeline,
        private readonly Policy $policy,
        private readonly Resonance $resonance,
    ) {
        $this->harmony = new HarmonySoFar;
        $last = count($timeline->moments) - 1;
        while ($last > 0 && $timeline->moments[$last]->strikes === []) {
            $last--;
        }
        $this->lastStrike = $last;
    }

    /**
     * Of a whole pedalling.
     *
     * @param  list<array{int, int, Depth}>  $spans  in order: moments at which the pedal goes down and comes up, and its depth
     */
    public static function of(Timeline $timeline, Policy $policy, Resonance $resonance, array $spans): float
    {
        $cost = 0.0;
        $costs = new self($timeline, $policy->withDepths(array_values(array_unique([new Depth, ...array_column($spans, 2)], SORT_REGULAR))), $resonance);
        $place = 0;
        $lastUp = -INF;
        $last = count($timeline->moments) - 1;
        for ($k = 0; $k <= $last; $k++) {
            $seconds = $timeline->moments[$k]->seconds;
            $ending = isset($spans[$place]) && $spans[$place][1] === $k ? $spans[$place++] : null;
            $holding = isset($spans[$place]) && $spans[$place][0] <= $k ? $spans[$place] : null;
            $begins = $holding !== null && $holding[0] === $k;
            $cost += $ending === null ? 0.0 : $costs->haste($k, $seconds - $timeline->moments[$ending[0]]->seconds);
            $cost += $ending === null && ($holding === null || $begins) ? $costs->unjoined($k) : 0.0;
            if ($begins) {
                $cost += $costs->change($k, $ending !== null) + ($ending === null ? $costs->haste($k, $seconds - $lastUp) : 0.0);
            } elseif ($ending !== null) {
                $lastUp = $seconds;
            }
            if ($k < $last) {
                $costs->goTo($k);
                $cost += $holding === null ? $costs->up() : $costs->down($holding[0], $costs->depthOf($holding[2]));
            }
        }

        return $cost;
    }

    private function depthOf(Depth $depth): int
    {
        return (int) array_search($depth, $this->policy->depths, false);
    }

    /**
     * Goes to a moment; moments are gone to in order.
     */
    public function goTo(int $moment): void
    {
        $this->k = $moment;
        $this->harmony->move($this->timeline->moments[$moment], $this->timeline->harmonyAt($moment));
        $this->strings = array_map(fn (Depth $depth): RingingStrings => $this->resonance->at($moment, $depth), $this->policy->depths);
    }

    /**
     * Of going down at a moment.
     *
     * @param  bool  $changes  whether another pedal ends there
     */
    public function change(int $moment, bool $changes): float
    {
        $weights = $this->policy->weightsAt($moment);
        $here = $this->timeline->moments[$moment];
        $factor = ($here->strength >= 0.5 ? 1.0 : self::OFF_BEAT) * ($changes && $here->covered ? self::HIDDEN : 1.0) * match ($this->policy->isDue($moment)) {
            null => 1.0, true => self::DUE, false => self::NOT_DUE,
        };

        return $weights->change * $factor + ($changes ? $this->tightness($here, $weights) + (self::losesBass($here) ? $weights->lose : 0.0) : 0.0);
    }

    /**
     * Whether a change here lets a bass go that is still wanted and that no finger holds.
     */
    private static function losesBass(Moment $moment): bool
    {
        return $moment->bass !== null && $moment->bass->onset < $moment->seconds && $moment->bass->release <= $moment->seconds;
    }

    private function tightness(Moment $moment, Weights $weights): float
    {
        $foot = $this->policy->foot;
        $window = $moment->window(FootTiming::MARGIN) ?? $foot->catches;

        return match (true) {
            $window >= $foot->catches => 0.0,
            $window >= $foot->direct() => min(self::DIRECT_COST, $weights->tight * (1 - $window / $foot->catches)),
            default => $weights->tight + self::UNPLAYABLE_COST,
        };
    }

    /**
     * Of a foot that moves again so many seconds after it moved.
     */
    public function haste(int $moment, float $seconds): float
    {
        $comfortable = $this->policy->foot->comfortable;

        return $seconds < $comfortable ? $this->policy->weightsAt($moment)->fast * (1 - $seconds / $comfortable) : 0.0;
    }

    /**
     * Of coming to a moment with the pedal up.
     */
    public function unjoined(int $moment): float
    {
        $here = $this->timeline->moments[$moment];

        return $here->needsJoin && ! $here->isLine ? $this->policy->weightsAt($moment)->dry * ($here->slurred ? 1.0 : self::NOT_SLURRED) : 0.0;
    }

    /**
     * Of the present moment until the next with the pedal up.
     */
    public function up(): float
    {
        $here = $this->timeline->moments[$this->k];

        return $this->step() * $this->missing($here, $this->strings[0], $here->seconds);
    }

    /**
     * Of the present moment until the next with the pedal down since another one.
     *
     * @param  int  $depth  index
     */
    public function down(int $since, int $depth): float
    {
        $weights = $this->policy->weightsAt($this->k);
        $here = $this->timeline->moments[$this->k];
        $strings = $this->strings[$depth];
        $from = $this->timeline->moments[$since]->seconds;
        $blur = $strings->blur($from);
        $alone = $here->isLine || $here->isUpBeat && ! $here->covered;
        $share = $this->policy->depths[$depth]->share;
        $perSecond = $weights->blur * $blur ** 2 / ($blur + $weights->knee) + ($alone ? $weights->line : -$weights->resonance * $share)
            + ($share < 1.0 ? $weights->shallow : 0.0) + $this->missing($here, $strings, $from);
        foreach ($here->smeared as $strike) {
            if ($strings->sounds($strike->midi, $from)) {
                $perSecond += $weights->smear;
                break;
            }
        }
        if ($here->bassMoves() && $here->lastBass !== null && $strings->sounds($here->lastBass->midi, $from)) {
            $perSecond += $weights->basses;
        }

        return $this->step() * $perSecond + $this->once($here, $weights) + ($since < $this->k ? $this->goingOn($here, $weights) : 0.0);
    }

    private function once(Moment $here, Weights $weights): float
    {
        $chords = $here->isChord() && ! $here->isLine ? ($this->k === $this->lastStrike ? 2 : 1) : 0;

        // A bass that crisp notes follow is not built on.
        $floor = $here->bass !== null && ! $here->bass->dry && in_array($here->bass, $here->strikes, true) && $this->timeline->moments[$this->k + 1]->dryShare() === 0.0;

        return $weights->staccato * $here->dryShare() + $weights->rest * ($here->silence >= Examiner::SHORTEST_REST ? $here->silence + self::REST : $here->silence) - $weights->chord * $chords - ($floor ? $weights->floor : 0.0);
    }

    /**
     * Of a pedal that goes on where something new begins.
     */
    private function goingOn(Moment $here, Weights $weights): float
    {
        return ($here->harmony !== $this->timeline->moments[$this->k - 1]->harmony ? $weights->merge : 0.0)
            + ($here->phrase ? $weights->breath : 0.0) + ($here->subito ? $weights->subito : 0.0)
            + ($this->policy->isDue($this->k) === true ? $weights->rate : 0.0);
    }

    /**
     * What a moment costs a second for what does not sound any more; in a general rest and where lines run nothing is missing.
     */
    private function missing(Moment $here, RingingStrings $strings, float $since): float
    {
        if ($here->silence > 0 || $here->isLine) {
            return 0.0;
        }
        $weights = $this->policy->weightsAt($this->k);
        $bassLost = $here->bass !== null && ! $strings->sounds($here->bass->midi, $since);

        return ($bassLost ? $weights->support : 0.0) + $weights->fill * $this->harmony->shareLost($strings, $since);
    }

    private function step(): float
    {
        return min(self::LONGEST_STEP, $this->timeline->moments[$this->k + 1]->seconds - $this->timeline->moments[$this->k]->seconds);
    }
}
