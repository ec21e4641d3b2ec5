<?php

declare(strict_types=1);

namespace Tarnwind\Core\Time;

use Tarnwind\Core\Count\EvenPassage;
use Tarnwind\Core\Count\Hazards;
use Tarnwind\Core\Count\TempoLimit;
use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * The tempo up to which a student's measured rates carry a bar, whatever the tempo around it.
 */
final readonly class Ceiling
{
    /**
     * @param  int  $measure  index of the bar
     * @param  float  $tempo  quarters a minute
     * @param  bool  $repetition  whether one key is struck again and again, or a line runs
     * @param  float  $rate  notes a second that the student plays
     */
    private function __construct(
        public int $measure,
        public float $tempo,
        public bool $repetition,
        public float $rate,
    ) {
    }

    /**
     * @return list<self> the lowest of each bar that has one, by bar
     */
    public static function all(Score $score, TempoMap $tempo, Rates $rates): array
    {
        if ($rates->run === null && $rates->repetition === null) {
            return [];
        }
        /** @var array<int, self> $lowest */
        $lowest = [];
        $lines = Hazards::lines(array_values(array_filter($score->notes, fn (Note $note): bool => ! $note->grace)));
        foreach (array_filter(EvenPassage::find($tempo, $lines), TempoLimit::isTest(...)) as $passage) {
            $rate = $passage->oneKey ? $rates->repetition : $rates->run;
            if ($rate === null) {
                continue;
            }
            $ceiling = 60 * $rate * $passage->notes[1]->onset->minus($passage->notes[0]->onset)->toFloat();
            // The bar in which a run only arrives is not the one that asks for speed.
            foreach (array_unique(array_map(fn (Note $note): int => $note->measure, array_slice($passage->notes, 0, -1))) as $bar) {
                $lowest[$bar] = ($lowest[$bar]->tempo ?? INF) <= $ceiling ? $lowest[$bar] : new self($bar, $ceiling, $passage->oneKey, $rate);
            }
        }
        ksort($lowest);

        return array_values($lowest);
    }
}
