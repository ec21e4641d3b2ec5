<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Performance\Foot;
use Tarnwind\Core\Rendition\PedalEvent;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Take\FootMove;

/**
 * How far down the damper pedal is, over time.
 */
final readonly class FootCurve
{
    /** Shares of the way at which dampers leave the strings, and at which they are back on them: apart, so that a foot that trembles is not told as many [start]. */
    private const DOWN = 0.35;

    private const UP = 0.22;

    /** @var list<Press> by time */
    public array $presses;

    /**
     * @param  list<array{float, float}>  $steps  ms, and share of the way down from there, by time
     * @param  float  $end  ms
     */
    public function __construct(public array $steps, float $end)
    {
        $presses = [];
        $down = null;
        $since = 0;
        foreach ($steps as $index => [$ms, $share]) {
            if ($down === null && $share >= self::DOWN) {
                [$down, $since] = [$ms, $index];
            } elseif ($down !== null && $share <= self::UP) {
                $presses[] = new Press($down, $ms, self::depth($steps, $since, $index, $ms));
                $down = null;
            }
        }
        if ($down !== null) {
            $presses[] = new Press($down, max($down, $end), self::depth($steps, $since, count($steps), $end));
        }
        $this->presses = $presses;
    }

    /**
     * @param  list<FootMove>  $moves
     */
    public static function played(array $moves, float $end): self
    {
        $steps = [];
        foreach ($moves as $move) {
            if ($move->controller === PedalEvent::DAMPER) {
                $steps[] = [$move->ms, $move->value / PedalEvent::DOWN];
            }
        }

        return new self($steps, $end);
    }

    /**
     * @param  list<PedalEvent>  $events
     */
    public static function planned(array $events, float $end): self
    {
        return self::played(array_map(fn (PedalEvent $event): FootMove => new FootMove($event->ms, $event->controller, $event->value), $events), $end);
    }

    /**
     * How far down it is at a moment.
     */
    public function at(float $ms): float
    {
        $index = Search::last(count($this->steps), fn (int $index): bool => $this->steps[$index][0] <= $ms);

        return $this->steps === [] || $this->steps[$index][0] > $ms ? 0.0 : $this->steps[$index][1];
    }

    /**
     * The press that holds a moment.
     */
    public function pressAt(float $ms): ?Press
    {
        $index = Search::last(count($this->presses), fn (int $index): bool => $this->presses[$index]->down <= $ms);
        $press = $this->presses[$index] ?? null;

        return $press !== null && $press->holds($ms) ? $press : null;
    }

    /**
     * As the ring of strings is worked out under it.
     */
    public function foot(): Foot
    {
        return Foot::stepping(array_map(fn (array $step): array => [$step[0] / 1000, $step[1]], $this->steps));
    }

    /**
     * The depth at which most of a press is held.
     *
     * @param  list<array{float, float}>  $steps
     */
    private static function depth(array $steps, int $from, int $to, float $end): float
    {
        $held = [];
        for ($index = $from; $index < $to; $index++) {
            $until = min($end, $steps[$index + 1][0] ?? $end);
            $held[(string) $steps[$index][1]] = ($held[(string) $steps[$index][1]] ?? 0.0) + max(0.0, $until - $steps[$index][0]);
        }
        // Weighted by time, the middle of the depths.
        ksort($held, SORT_NUMERIC);
        $half = array_sum($held) / 2;
        foreach ($held as $depth => $ms) {
            if (($half -= $ms) <= 0) {
                return (float) $depth;
            }
        }

        return 0.0;
    }
}
