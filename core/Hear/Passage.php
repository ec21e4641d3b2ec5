<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Practice\Step;
use Tarnwind\Core\Practice\StepKind;
use Tarnwind\Core\Reading\Hand;
use Tarnwind\Core\Score\Bars;

/**
 * What of a piece was played, by which hands, and how fast.
 */
final readonly class Passage
{
    /** A tempo that is this share of the one that is asked has reached it [start]. */
    private const REACHED = 0.95;

    /**
     * @param  list<Hand>  $hands
     * @param  float  $rate  share of the tempo of the plan
     */
    private function __construct(public Bars $bars, public array $hands, public float $rate)
    {
    }

    public static function of(Comparison $comparison): self
    {
        $bars = [];
        $planned = $played = 0.0;
        foreach ($comparison->runs as $run) {
            foreach ($run->attacks as $attack) {
                $bars[] = $attack->bar;
            }
            $planned += $run->last()->planned - $run->first()->planned;
            $played += $run->last()->played - $run->first()->played;
        }

        return new self($bars === [] ? new Bars(0, 0) : new Bars(min($bars), max($bars)), $comparison->hands, $played > 0 ? $planned / $played : 1.0);
    }

    /**
     * Whether it is all that a step asks to be played.
     */
    public function covers(Step $step): bool
    {
        $hands = match ($step->kind) {
            StepKind::RightHand => [Hand::Right],
            StepKind::LeftHand => [Hand::Left],
            default => null,
        };

        return $this->bars->first <= $step->bars->first && $this->bars->last >= $step->bars->last && $this->rate >= self::REACHED * $step->rate
            && ($hands === null || array_diff(array_column($hands, 'value'), array_column($this->hands, 'value')) === []);
    }
}
