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

    /** Nobody plays twenty times as quickly as planned: keys that were thrown at it have no pace. */
    public const QUICKEST = 0.05;

    /** @var non-empty-list<float> ms of the take by attack; where strokes overtake each other that of the later one */
    private array $clock;

    /**
     * @param  non-empty-list<Attack>  $attacks  in order
     */
    public function __construct(public array $attacks)
    {
        $clock = [];
        $now = -INF;
        foreach ($attacks as $attack) {
            $clock[] = $now = max($now, $attack->played);
        }
        $this->clock = $clock;
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

        return $planned > 0 ? max(self::QUICKEST, ($this->last()->played - $this->first()->played) / $planned) : 1.0;
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

        return count($ratios) < self::LEAST ? $this->pace() : max(self::QUICKEST, Statistics::middle($ratios));
    }

    /**
     * When something that is planned would have come in the take, going by what is struck around it.
     *
     * @param  float  $planned  ms
     */
    public function played(float $planned): float
    {
        return $this->across($planned, fn (int $index): float => $this->attacks[$index]->planned, fn (int $index): float => $this->clock[$index], $this->pace());
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
        return $this->across($played, fn (int $index): float => $this->clock[$index], fn (int $index): float => $this->attacks[$index]->planned, 1 / $this->pace());
    }

    /**
     * The last attack at or before a planned moment.
     */
    public function attackAt(float $planned): int
    {
        return Search::last(count($this->attacks), fn (int $index): bool => $this->attacks[$index]->planned <= $planned + 1e-6);
    }

    /**
     * @param  callable(int): float  $from  by attack
     * @param  callable(int): float  $to  by attack
     */
    private function across(float $at, callable $from, callable $to, float $pace): float
    {
        $index = Search::last(count($this->attacks), fn (int $index): bool => $from($index) <= $at);
        if (! isset($this->attacks[$index + 1]) || $at < $from($index)) {
            return $to($index) + ($at - $from($index)) * $pace;
        }
        $width = $from($index + 1) - $from($index);

        return $to($index) + ($width > 0 ? ($at - $from($index)) * ($to($index + 1) - $to($index)) / $width : 0.0);
    }
}
