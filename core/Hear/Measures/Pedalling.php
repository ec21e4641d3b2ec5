<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear\Measures;

use Tarnwind\Core\Hear\Attack;
use Tarnwind\Core\Hear\Comparison;
use Tarnwind\Core\Hear\FootCurve;
use Tarnwind\Core\Hear\Measure;
use Tarnwind\Core\Hear\MeasureKind;
use Tarnwind\Core\Hear\Pair;
use Tarnwind\Core\Hear\PedalMove;
use Tarnwind\Core\Hear\PedalMoveKind;
use Tarnwind\Core\Hear\Press;
use Tarnwind\Core\Hear\Run;
use Tarnwind\Core\Performance\FootTiming;
use Tarnwind\Core\Reading\Layer;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Take\Telling;

/**
 * What the foot did at every planned move of the damper pedal, in ms against the new sound.
 */
final class Pedalling
{
    /** A pedal that comes up and goes down again within this is changed, in ms. */
    private const CHANGE = 400.0;

    /** How far from a planned move its attack may lie, and how far from where it is expected the foot is looked for, in ms [start]. */
    private const ATTACK = 250.0;

    private const EARLIEST = 500.0;

    private const LATEST = 800.0;

    /** Shares of the way to the move before and after it within which it must lie. */
    private const TOWARDS_BEFORE = 0.5;

    private const TOWARDS_NEXT = 0.65;

    /** Dampers that touch the strings for less than this, in ms, let them ring on: two thirds of what they need to stop them. */
    private const HARDLY = 1000 * FootTiming::CLEARING * 2 / 3;

    /** A string that was left so many ms ago still sounds: dampers need twice as long. */
    private const STILL = 1000 * FootTiming::CLEARING / 2;

    /** A bass that would have rung for less than this after its key is not missed, in ms [start]. */
    private const WANTED = 250.0;

    /** A pedal that comes up too soon by less than so many gaps is an early breath [start]. */
    private const SOON = 3.5;

    /** Share of a press in which the plan has the pedal up for it to be one too many, looked at in so many places. */
    private const UNPLANNED = 0.6;

    private const LOOKS = 9;

    /** Keys of legato are left so many ms after the new ones are struck [mem], and a little more. */
    private const OVERLAP = 60.0;

    /** Catching the old sound is as bad as keeping it twice as long [start]. */
    private const EARLY = 2.0;

    /** Notes before a moment among which those are that may be held into it. */
    private const RECENT = 60;

    /** @var list<PedalMove> */
    public array $moves = [];

    /** @var list<Measure> */
    public array $measures = [];

    public readonly FootCurve $planned;

    public readonly FootCurve $played;

    private readonly bool $tellsDepth;

    /** @var array<int, true> places of the presses that stand for a planned one */
    private array $used = [];

    private function __construct(private readonly Comparison $comparison)
    {
        $events = $comparison->rendition->events;
        $notes = $comparison->take->notes;
        $this->planned = FootCurve::planned($comparison->rendition->pedal, $events === [] ? 0.0 : max(array_column($events, 'endMs')));
        $this->played = FootCurve::played($comparison->take->foot, $notes === [] ? 0.0 : max(array_column($notes, 'release')));
        $this->tellsDepth = $comparison->take->pedal() === Telling::Depth;
    }

    public static function of(Comparison $comparison): self
    {
        $pedalling = new self($comparison);
        if ($comparison->take->pedal() !== Telling::Nothing) {
            foreach ($comparison->runs as $run) {
                $pedalling->run($run);
            }
            foreach ($comparison->runs as $run) {
                $pedalling->extras($run);
            }
        }

        return $pedalling;
    }

    private function run(Run $run): void
    {
        $presses = $this->planned->presses;
        $from = $run->first()->planned - self::ATTACK;
        $stays = false;
        foreach ($presses as $index => $press) {
            if ($press->down < $from || $press->down > $run->last()->planned + self::ATTACK) {
                continue;
            }
            $before = $presses[$index - 1] ?? null;
            $next = $presses[$index + 1] ?? null;
            $isChange = $before !== null && $press->down - $before->up <= self::CHANGE;
            $attack = $this->attackOf($run, $isChange ? $before->up - 1000 * FootTiming::UP_AFTER : $press->down);
            // Where she begins there is nothing to be changed yet.
            $isChange = $isChange && $attack !== $run->first();
            if ($attack !== null) {
                $found = $this->find($run, $attack, $press, $before, $next);
                $this->move($run, $attack, $press, $isChange ? $before : null, $found, $stays);
            }
            $stays = ($next === null || $next->down - $press->up > self::CHANGE) && $this->lift($run, $press);
        }
    }

    private function attackOf(Run $run, float $planned): ?Attack
    {
        $index = $run->attackAt($planned);
        $best = null;
        foreach ([$index, $index + 1] as $near) {
            $attack = $run->attacks[$near] ?? null;
            $best = $attack !== null && abs($attack->planned - $planned) <= self::ATTACK && ($best === null || abs($attack->planned - $planned) < abs($best->planned - $planned)) ? $attack : $best;
        }

        return $best;
    }

    /**
     * The press that stands for a planned one.
     */
    private function find(Run $run, Attack $attack, Press $press, ?Press $before, ?Press $next): ?int
    {
        $expected = $attack->played + $press->down - $attack->planned;
        $earliest = max($expected - self::EARLIEST, $before === null ? -INF : $expected - self::TOWARDS_BEFORE * ($expected - $run->played($before->down)));
        $latest = min($expected + self::LATEST, $next === null ? INF : $expected + self::TOWARDS_NEXT * ($run->played($next->down) - $expected));
        $best = null;
        foreach ($this->played->presses as $place => $one) {
            if ($one->down >= $earliest && $one->down <= $latest && ! isset($this->used[$place]) && ($best === null || abs($one->down - $expected) < abs($this->played->presses[$best]->down - $expected))) {
                $best = $place;
            }
        }

        return $best;
    }

    /**
     * @param  ?Press  $before  the press that is changed; null for a pedal that goes down afresh
     * @param  ?int  $found  place of the press that stands for it
     * @param  bool  $stays  whether the foot has stayed down from before
     */
    private function move(Run $run, Attack $attack, Press $press, ?Press $before, ?int $found, bool $stays): void
    {
        if ($found === null) {
            $isDown = $this->played->pressAt($attack->played + $press->down - $attack->planned) !== null;
            $this->moves[] = new PedalMove($attack->at, $attack->bar, PedalMoveKind::Missed);
            // What stays down from a pedal that did not come up was told there.
            if (! $isDown || ! $stays) {
                $this->measure(MeasureKind::MissedPedal, $attack, 0.0, 1.0, 1.0, $isDown ? 'held' : 'up');
            }

            return;
        }
        $this->used[$found] = true;
        $one = $this->played->presses[$found];
        $changed = $this->played->presses[$found - 1] ?? null;
        $down = $one->down - $attack->played;
        $isCaught = $this->bass($attack, $press, $one, $down);
        $depth = $this->tellsDepth ? $one->depth : null;
        if ($depth !== null) {
            $this->measure(MeasureKind::Depth, $attack, $depth, $press->depth, abs($depth - $press->depth), $depth > $press->depth ? 'deep' : 'shallow');
        }
        if ($before === null) {
            $early = self::EARLY * $this->early($attack, $press, $one);
            $this->measure(MeasureKind::Smear, $attack, $down, $press->down - $attack->planned, $early, 'early');
            $this->moves[] = new PedalMove($attack->at, $attack->bar, $early > $this->comparison->limit(MeasureKind::Smear) ? PedalMoveKind::Smear : PedalMoveKind::Clean, null, $down, $depth, $isCaught);

            return;
        }
        [$kind, $up] = $this->changed($run, $attack, $press, $before, $one, $changed);
        $this->moves[] = new PedalMove($attack->at, $attack->bar, $kind, $up, $down, $depth, $isCaught);
    }

    /**
     * @param  Press  $before  planned, as is $press
     * @param  ?Press  $changed  played, as is $one
     * @return array{PedalMoveKind, ?float} what became of a change, and when the foot came up
     */
    private function changed(Run $run, Attack $attack, Press $press, Press $before, Press $one, ?Press $changed): array
    {
        $planned = $before->up - $attack->planned;
        $up = $changed === null || $changed->up < $run->first()->played ? null : $changed->up - $attack->played;
        $late = $up === null ? 0.0 : max(0.0, $up - max(0.0, $planned));
        $isHardly = $changed !== null && $one->down - $changed->up < self::HARDLY && $press->down - $before->up > self::HARDLY;
        $early = self::EARLY * $this->early($attack, $press, $one);
        if ($early > $this->comparison->limit(MeasureKind::Smear)) {
            $this->measure(MeasureKind::Smear, $attack, $one->down - $attack->played, $press->down - $attack->planned, $early, 'early');

            return [PedalMoveKind::Smear, $up];
        }
        $gap = min(0.0, $planned) - ($up ?? -INF) > 0 ? $this->gap($attack, $changed) : 0.0;
        $this->measure(MeasureKind::Smear, $attack, $up ?? $planned, $planned, $isHardly ? max($late, 2 * $this->comparison->limit(MeasureKind::Smear)) : $late, $isHardly && $late <= $this->comparison->limit(MeasureKind::Smear) ? 'hardly' : 'late');
        $this->measure(MeasureKind::Gap, $attack, $gap, 0.0, $gap);
        $kind = match (true) {
            $isHardly || $late > $this->comparison->limit(MeasureKind::Smear) => PedalMoveKind::Smear,
            $gap > $this->comparison->limit(MeasureKind::Gap) => PedalMoveKind::Gap,
            default => PedalMoveKind::Clean,
        };

        return [$kind, $up];
    }

    /**
     * Milliseconds of silence before an attack, that neither foot nor fingers cover.
     */
    private function gap(Attack $attack, ?Press $changed): float
    {
        $until = max($changed->up ?? -INF, $this->heldUntil($attack->played, $attack->pairs[0]->place));

        // Where nothing sounded before there is nothing to break.
        return $until === -INF ? 0.0 : max(0.0, $attack->played - $until);
    }

    /**
     * When the last of the keys is left that were struck before a moment; the moment itself if one is held over it.
     *
     * @param  int  $place  of the attack, by which the search begins
     */
    private function heldUntil(float $moment, int $place): float
    {
        $until = -INF;
        $pairs = $this->comparison->pairs;
        $index = Search::last(count($pairs), fn (int $index): bool => $pairs[$index]->place <= $place);
        for ($k = $index; $k >= max(0, $index - self::RECENT); $k--) {
            if ($pairs[$k]->played->onset < $moment - 1) {
                $until = max($until, min($moment, $pairs[$k]->played->release));
            }
        }

        return $until;
    }

    /**
     * How long before a new sound a fresh pedal goes down on keys that are not to be caught, in ms.
     */
    private function early(Attack $attack, Press $press, Press $one): float
    {
        $early = $attack->played - $one->down;
        $pairs = $this->comparison->pairs;
        $index = Search::last(count($pairs), fn (int $index): bool => $pairs[$index]->place <= $attack->pairs[0]->place);
        for ($k = $index; $early > 0 && $k >= max(0, $index - self::RECENT); $k--) {
            $pair = $pairs[$k];
            if ($pair->played->onset < $one->down && $pair->played->release > $one->down && $pair->planned->endMs <= $attack->planned + self::OVERLAP) {
                // A pedal that is to open the strings beforehand is planned so.
                return $early - max(0.0, $attack->planned - $press->down);
            }
        }

        return 0.0;
    }

    /**
     * Whether the bass of an attack is caught; null where none is to be.
     */
    private function bass(Attack $attack, Press $press, Press $one, float $down): ?bool
    {
        $caught = null;
        foreach ($attack->in(Layer::Bass) as $pair) {
            $isToBeCaught = $pair->planned->endMs > $press->down + 5 && $press->up - $pair->planned->endMs > self::WANTED;
            if ($isToBeCaught) {
                $caught = ($caught ?? true) && $pair->played->release > $one->down - self::STILL;
            }
        }
        if ($caught !== null) {
            $this->measure(MeasureKind::BassLost, $attack, $down, $press->down - $attack->planned, $caught ? 0.0 : 1.0);
        }

        return $caught;
    }

    /**
     * Where a pedal comes up for good.
     *
     * @return bool whether it stays down instead
     */
    private function lift(Run $run, Press $press): bool
    {
        [$earliest, $latest] = $run->between($press->up);
        if ($press->up > $run->last()->planned) {
            return false;
        }
        $attack = $run->attacks[$run->attackAt($press->up)];
        $held = $this->played->pressAt($latest);
        if ($held === null) {
            $this->liftedEarly($run, $press, $attack, $earliest);

            return false;
        }
        $late = $held->up - $latest;
        $this->measure(MeasureKind::LateLift, $attack, $late, 0.0, $late);
        if ($late > $this->comparison->limit(MeasureKind::LateLift)) {
            $this->moves[] = new PedalMove($attack->at, $attack->bar, PedalMoveKind::LateLift, $held->up - $attack->played);

            return true;
        }

        return false;
    }

    private function liftedEarly(Run $run, Press $press, Attack $attack, float $expected): void
    {
        $last = null;
        foreach ($this->played->presses as $one) {
            $last = $one->up <= $expected ? $one : $last;
        }
        if ($last === null || $last->up <= $run->played($press->down)) {
            return;
        }
        $early = $expected - max($last->up, $this->heldUntil($expected, $attack->pairs[count($attack->pairs) - 1]->place + 1));
        $this->measure(MeasureKind::Gap, $attack, max(0.0, $early), 0.0, $early / self::SOON, 'early');
    }

    /**
     * Presses that stand for nothing.
     */
    private function extras(Run $run): void
    {
        $until = $run->played(max(array_map(fn (Pair $pair): float => $pair->planned->endMs, $run->last()->pairs)));
        foreach ($this->played->presses as $place => $one) {
            if (isset($this->used[$place]) || $one->down < $run->first()->played || $one->down > $until) {
                continue;
            }
            $this->used[$place] = true;
            $attack = $run->attacks[$run->attackAt($run->planned($one->down))];
            $up = 0;
            for ($look = 0; $look < self::LOOKS; $look++) {
                $up += $this->planned->pressAt($run->planned($one->down + ($one->up - $one->down) * $look / (self::LOOKS - 1))) === null ? 1 : 0;
            }
            if ($up / self::LOOKS >= self::UNPLANNED) {
                $this->measure(MeasureKind::ExtraPedal, $attack, $one->up - $one->down, 0.0, $one->up - $one->down);
            }
            $caught = $this->keepsBass($run, $attack, $place);
            if ($caught === false) {
                $this->measure(MeasureKind::BassLost, $attack, $one->down - $attack->played, 0.0, 1.0, 'extra');
            }
            $this->moves[] = new PedalMove($attack->at, $attack->bar, PedalMoveKind::Extra, null, $one->down - $attack->played, $this->tellsDepth ? $one->depth : null, $caught);
        }
    }

    /**
     * Whether a change that is not planned keeps the bass that was to ring on; null where none was.
     */
    private function keepsBass(Run $run, Attack $attack, int $place): ?bool
    {
        $one = $this->played->presses[$place];
        $before = $this->played->presses[$place - 1] ?? null;
        $press = $this->planned->pressAt($run->planned($one->down));
        if ($press === null || $before === null || $run->played($press->up) - $one->down < self::WANTED || $run->planned($one->down) - $press->down < self::WANTED) {
            return null;
        }
        $bass = null;
        foreach ($this->comparison->pairs as $pair) {
            if ($pair->layer === Layer::Bass && $pair->planned->endMs > $press->down && $pair->planned->startMs < $press->up && $pair->played->onset < $one->down) {
                $bass = $pair;
            }
        }

        return $bass === null || $bass->played->release < $before->down ? null : $bass->played->release > $one->down - self::STILL;
    }

    private function measure(MeasureKind $kind, Attack $attack, float $value, float $planned, float $off, string $detail = ''): void
    {
        $this->measures[] = new Measure($kind, $attack->bar, $attack->at, $attack->notes(), $value, $planned, $this->comparison->limit($kind), $off, $detail);
    }
}
