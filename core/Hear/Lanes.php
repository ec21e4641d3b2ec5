<?php

declare(strict_types=1);

namespace Tarnwind\Core\Hear;

use Tarnwind\Core\Performance\Performance;
use Tarnwind\Core\Score\Search;
use Tarnwind\Core\Tempo\Pass;
use Tarnwind\Core\Tempo\PlayedBars;

/**
 * Where in the score what sounds is: from the ms of a rendition to written quarters. Of bars that are played several times the last is told.
 */
final readonly class Lanes
{
    /** @var list<array{measure: int, ms: float, beats: list<float>}> */
    private array $bars;

    /** @var list<Pass> */
    private array $passes;

    /** @var array<int, int> the last turn of each bar */
    private array $last;

    public function __construct(private Performance $performance)
    {
        $this->bars = PlayedBars::of($performance->score(), $performance->tempo());
        $this->passes = PlayedBars::passes($performance->score()->playbackOrder);
        $this->last = array_combine(array_column($this->bars, 'measure'), array_keys($this->bars));
    }

    /**
     * Written quarters of a moment of the rendition; null where its bar is played once more later.
     *
     * @param  float  $planned  ms
     */
    public function at(float $planned): ?float
    {
        $turn = Search::last(count($this->bars), fn (int $index): bool => $this->bars[$index]['ms'] <= $planned);
        $bar = $this->bars[$turn];
        if ($this->last[$bar['measure']] !== $turn) {
            return null;
        }
        $measure = $this->performance->score()->measures[$bar['measure']];
        $tempo = $this->performance->tempo()->in($this->passes[$turn]);
        $seconds = $tempo->seconds($measure->start) + ($planned - $bar['ms']) / 1000;

        return min($measure->end()->toFloat(), max($measure->start->toFloat(), $tempo->playedAt($seconds)));
    }

    /**
     * Steps of a foot by their place in the score; null between what does not follow.
     *
     * @param  list<array{float, float}>  $steps  ms of the rendition, and share of the way down
     * @return list<array{at: float, depth: float}>
     */
    public function foot(array $steps): array
    {
        $placed = [];
        foreach ($steps as [$ms, $depth]) {
            $at = $this->at($ms);
            if ($at !== null) {
                $placed[] = ['at' => round($at, 4), 'depth' => round($depth, 3)];
            }
        }
        usort($placed, fn (array $a, array $b): int => $a['at'] <=> $b['at']);

        return $placed;
    }
}
