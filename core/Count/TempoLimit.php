<?php

declare(strict_types=1);

namespace Tarnwind\Core\Count;

use Tarnwind\Core\Score\Note;
use Tarnwind\Core\Score\Score;
use Tarnwind\Core\Student\Rates;
use Tarnwind\Core\Tempo\TempoMap;

/**
 * The quickest even movement of a bar, and the tempo up to which a student's measured rate carries it:
 * tempo at the beginning × rate she plays ÷ rate asked for.
 */
final readonly class TempoLimit
{
    /** Fewer notes than this are no test of quickness [start]. */
    private const FEWEST_IN_RUN = 4;

    private const FEWEST_IN_REPETITION = 3;

    /**
     * @param  int  $measure  index of the bar
     * @param  float  $rate  notes a second at the present tempo
     * @param  ?float  $tempo  quarters a minute at the beginning; null where the student's rate is not known
     */
    private function __construct(
        public int $measure,
        public bool $repetition,
        public float $rate,
        public ?float $tempo,
    ) {
    }

    /**
     * @return list<self> the hardest of each bar, by bar
     */
    public static function find(Score $score, TempoMap $tempo, Rates $rates): array
    {
        $notes = array_values(array_filter($score->notes, fn (Note $note): bool => ! $note->grace));
        /** @var array<int, self> $limits */
        $limits = [];
        foreach (EvenPassage::find($tempo, Hazards::lines($notes)) as $passage) {
            if (! self::isTest($passage)) {
                continue;
            }
            $own = $passage->oneKey ? $rates->repetition : $rates->run;
            $limit = $own === null ? null : $tempo->quartersPerMinute() * $own / $passage->rate;
            // The bar in which a run only arrives is not the one that asks for speed.
            foreach (array_unique(array_map(fn (Note $note): int => $note->measure, array_slice($passage->notes, 0, -1))) as $bar) {
                $one = new self($bar, $passage->oneKey, $passage->rate, $limit);
                $limits[$bar] = isset($limits[$bar]) && ! $one->isHarderThan($limits[$bar]) ? $limits[$bar] : $one;
            }
        }
        ksort($limits);

        return array_values($limits);
    }

    /**
     * Whether a passage is long enough to ask for quickness.
     */
    public static function isTest(EvenPassage $passage): bool
    {
        return count($passage->notes) >= ($passage->oneKey ? self::FEWEST_IN_REPETITION : self::FEWEST_IN_RUN);
    }

    /**
     * @return array<string, mixed> as the JSON Schema has it
     */
    public function toArray(): array
    {
        return [
            'measure' => $this->measure, 'kind' => $this->repetition ? 'repetition' : 'run', 'rate' => round($this->rate, 1),
            'tempo' => $this->tempo === null ? null : round($this->tempo),
        ];
    }

    private function isHarderThan(self $other): bool
    {
        return $this->tempo !== null && $other->tempo !== null ? $this->tempo < $other->tempo : ($this->tempo !== null || ($other->tempo === null && $this->rate > $other->rate));
    }
}
