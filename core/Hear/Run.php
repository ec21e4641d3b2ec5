<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Score\Search;

/**
 * A stretch that was played without stopping and beginning again.
 */
final readonly class Run
{
    /** Attacks nearer to each other than this, in planned ms, say nothing of the pace; it is taken over so many on each side, and no fewer than so many. */
    private const NEAR = 60.0;

    private const AROUND = 8;

    private const LEAST = 3;

    /**
     * @param  non-empty-list<Attack>  $attacks  in order
     */
    public function __construct(public array $attacks)
    {
    }

    public function first(): Attack
    {
        return $this->attacks[0];
    }

    public function last(): Attack
    {
        return $this->attacks[count($this->attacks) - 1];
    }

    /**
     * Milliseconds played for one that was planned, as a whole: 1.1 is a tenth slower.
     */
    public function pace(): float
    {
        $planned = $this->last()->planned - $this->first()->planned;

        return $planned > 0 ? ($this->last()->played - $this->first()->played) / $planned : 1.0;
    }

    /**
     * The same around an attack, what is waited for there left out.
     */
    public function paceAround(int $index): float
    {
        $ratios = [];
        for ($near = max(0, $index - self::AROUND); $near < min(count($this->attacks) - 1, $index + self::AROUND); $near++) {
            $planned = $this->attacks[$near + 1]->planned - $this->attacks[$near]->planned;
            if ($near !== $index && $planned >= self::NEAR) {
                $ratios[] = ($this->attacks[$near + 1]->played - $this->attacks[$near]->played) / $planned;
            }
        }

        return count($ratios) < self::LEAST ? $this->pace() : Comparison::middle($ratios);
    }

    /**
     * When something that is planned would have come in the take, going by what is struck around it.
     *
     * @param  float  $planned  ms
     */
    public function played(float $planned): float
    {
        return $this->across($planned, fn (Attack $attack): float => $attack->planned, fn (Attack $attack): float => $attack->played, $this->pace());
    }

    /**
     * The earliest and the latest moment at which something planned may have come: in time after what is struck before it, or as the time
     * to the next stroke was stretched or cut.
     *
     * @return array{float, float} ms of the take
     */
    public function between(float $planned): array
    {
        $index = $this->attackAt($planned);
        $shared = $this->played($planned);
        $inTime = $this->attacks[$index]->played + max(0.0, $planned - $this->attacks[$index]->planned) * $this->paceAround($index);

        return [min($shared, $inTime), max($shared, $inTime)];
    }

    /**
     * The planned moment for one of the take.
     *
     * @param  float  $played  ms
     */
    public function planned(float $played): float
    {
        return $this->across($played, fn (Attack $attack): float => $attack->played, fn (Attack $attack): float => $attack->planned, 1 / max(0.05, $this->pace()));
    }

    /**
     * The last attack at or before a planned moment.
     */
    public function attackAt(float $planned): int
    {
        return Search::last(count($this->attacks), fn (int $index): bool => $this->attacks[$index]->planned <= $planned + 1e-6);
    }

    /**
     * @param  callable(Attack): float  $from
     * @param  callable(Attack): float  $to
     */
    private function across(float $at, callable $from, callable $to, float $pace): float
    {
        $index = Search::last(count($this->attacks), fn (int $index): bool => $from($this->attacks[$index]) <= $at);
        $before = $this->attacks[$index];
        $after = $this->attacks[$index + 1] ?? null;
        if ($after === null || $at < $from($before)) {
            return $to($before) + ($at - $from($before)) * $pace;
        }
        $width = $from($after) - $from($before);

        return $to($before) + ($width > 0 ? ($at - $from($before)) * ($to($after) - $to($before)) / $width : 0.0);
    }
}
